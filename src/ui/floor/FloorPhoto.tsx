'use client';
import { useEffect, useState } from 'react';

/** After how long a photograph that has not arrived is asked for again (ms), and how often. */
const AGAIN = 2000;
const MOST = 30;

/** A photograph of a build; one that is still on its way from a tablet appears when it has arrived. */
export function FloorPhoto({ src, alt }: { src: string; alt: string }) {
  const [tries, setTries] = useState(0);
  const [missing, setMissing] = useState(false);
  useEffect(() => {
    if (!missing || tries >= MOST) return;
    const timer = setTimeout(() => {
      setTries(tries + 1);
      setMissing(false);
    }, AGAIN);
    return () => clearTimeout(timer);
  }, [missing, tries]);
  return (
    // eslint-disable-next-line @next/next/no-img-element
    <img src={tries === 0 ? src : `${src}?again=${tries}`} alt={alt} onError={() => setMissing(true)} />
  );
}
