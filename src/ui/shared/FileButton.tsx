'use client';
import { useRef } from 'react';
import { Button } from 'react-bootstrap';

/** A button that asks for a file; the same file may be chosen again. */
export function FileButton({
  label,
  accept,
  children,
  primary = false,
  disabled = false,
  onFile,
}: {
  label: string;
  accept: string;
  children: string;
  primary?: boolean;
  disabled?: boolean;
  onFile: (file: File) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button
        size="sm"
        variant={primary ? 'primary' : 'outline-primary'}
        disabled={disabled}
        onClick={() => input.current?.click()}
      >
        {children}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        className="d-none"
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </>
  );
}
