'use client';
import { useEffect, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { useLatest } from './useLatest';

/** Pictures a second that are searched for a code: enough for a hand, little for the battery. */
const EVERY_MILLISECONDS = 200;
const WIDEST = 640;

/** What went wrong with the camera, in words. */
function whyNot(error: unknown): string {
  const name = (error as Error).name;
  if (name === 'NotAllowedError') return 'The camera may not be used here: allow it in the browser, or type the code.';
  if (name === 'NotFoundError') return 'This device has no camera: type the code, or use a hand scanner.';
  return 'The camera does not start: type the code, or use a hand scanner.';
}

/** The camera, searched for a QR code; started by hand, stopped when a code was read or the view is left. */
export function CodeCamera({ onCode }: { onCode: (code: string) => void }) {
  const [on, setOn] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const video = useRef<HTMLVideoElement>(null);
  const told = useLatest(onCode);
  useEffect(() => {
    if (!on) return undefined;
    let stream: MediaStream | null = null;
    let timer: ReturnType<typeof setInterval> | undefined;
    let gone = false;
    const start = async () => {
      const [{ default: jsQR }, opened] = await Promise.all([
        import('jsqr'),
        navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } }),
      ]);
      stream = opened;
      const shown = video.current;
      if (gone || !shown) return opened.getTracks().forEach((track) => track.stop());
      shown.srcObject = opened;
      await shown.play();
      const canvas = document.createElement('canvas');
      const pen = canvas.getContext('2d', { willReadFrequently: true });
      timer = setInterval(() => {
        if (!pen || shown.videoWidth === 0) return;
        canvas.width = Math.min(WIDEST, shown.videoWidth);
        canvas.height = Math.round((canvas.width * shown.videoHeight) / shown.videoWidth);
        pen.drawImage(shown, 0, 0, canvas.width, canvas.height);
        const found = jsQR(pen.getImageData(0, 0, canvas.width, canvas.height).data, canvas.width, canvas.height);
        if (!found || found.data === '') return;
        setOn(false);
        told.current(found.data);
      }, EVERY_MILLISECONDS);
    };
    start().catch((error: unknown) => {
      setTrouble(whyNot(error));
      setOn(false);
    });
    return () => {
      gone = true;
      clearInterval(timer);
      stream?.getTracks().forEach((track) => track.stop());
    };
  }, [on, told]);
  return (
    <div>
      {on && <video ref={video} className="code-camera" muted playsInline aria-label="What the camera sees" />}
      <Button
        variant="outline-primary"
        onClick={() => {
          setTrouble(null);
          setOn(!on);
        }}
      >
        {on ? 'Stop the camera' : 'Scan with the camera'}
      </Button>
      {trouble !== null && (
        <p className="mt-1 mb-0" role="alert">
          △ {trouble}
        </p>
      )}
    </div>
  );
}
