'use client';
import { Alert } from 'react-bootstrap';
import { useUnits } from './units';

/** Why something was not taken, in words; nothing when all is well. */
export function Refusal({
  text,
  onClose,
  className = '',
}: {
  text: string | null;
  onClose?: () => void;
  className?: string;
}) {
  const { words } = useUnits();
  if (text === null) return null;
  return (
    <Alert variant="danger" className={`py-2 ${className}`} {...(onClose ? { dismissible: true, onClose } : {})}>
      {words(text)}
    </Alert>
  );
}
