'use client';
import type katexType from 'katex';
import { useEffect, useRef, useState } from 'react';
import { texToText } from '@/core/working';

/** A formula, typeset once the typesetter has come; its plain reading until then, and for those who hear it. */
export function Formula({ tex }: { tex: string }) {
  const box = useRef<HTMLSpanElement>(null);
  const [katex, setKatex] = useState<typeof katexType | null>(null);
  useEffect(() => {
    let here = true;
    // Where nobody sends the typesetter, the plain reading stays.
    import('katex').then(
      (module) => here && setKatex(() => module.default),
      () => undefined,
    );
    return () => {
      here = false;
    };
  }, []);
  useEffect(() => {
    // It sets formulas in pages of standards mode only, and throws in others.
    if (katex && box.current && document.compatMode === 'CSS1Compat')
      katex.render(tex, box.current, { throwOnError: false, output: 'html' });
  }, [katex, tex]);
  return (
    <span ref={box} role="math" aria-label={texToText(tex)}>
      {texToText(tex)}
    </span>
  );
}
