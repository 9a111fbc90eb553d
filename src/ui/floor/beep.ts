let context: AudioContext | undefined;

/** Sound so many times, loud enough for a shop; silent where the browser makes no sound before it was touched. */
export function beep(times: number): void {
  try {
    context ??= new AudioContext();
    for (let i = 0; i < times; i++) {
      const [tone, volume] = [context.createOscillator(), context.createGain()];
      tone.type = 'square';
      tone.frequency.value = 1760;
      volume.gain.value = 0.4;
      tone.connect(volume).connect(context.destination);
      tone.start(context.currentTime + i * 0.5);
      tone.stop(context.currentTime + i * 0.5 + 0.25);
    }
  } catch {
    // The picture says it as well.
  }
}
