/** Hatches that tell zones apart on the drawing: lines at an angle, dots or crosses, never colour. */
const HATCHES = [
  { rotate: 45, gap: 7, cross: false },
  { rotate: -45, gap: 7, cross: false },
  { rotate: 0, gap: 6, cross: false },
  { rotate: 90, gap: 6, cross: false },
  { rotate: 45, gap: 9, cross: true },
  { rotate: 0, gap: 9, cross: true },
  { rotate: 20, gap: 5, cross: false },
  { rotate: -20, gap: 5, cross: false },
  { rotate: 70, gap: 8, cross: false },
  { rotate: -70, gap: 8, cross: false },
] as const;

export const hatchOf = (index: number) => `zone-hatch-${index % HATCHES.length}`;
export const hatchFill = (index: number) => `url(#${hatchOf(index)})`;

export function ZoneHatches() {
  return (
    <defs>
      {HATCHES.map(({ rotate, gap, cross }, i) => (
        <pattern
          key={i}
          id={hatchOf(i)}
          width={gap}
          height={gap}
          patternUnits="userSpaceOnUse"
          patternTransform={`rotate(${rotate})`}
        >
          <rect width={gap} height={gap} fill="var(--card)" />
          <line x1="0" y1="0" x2={gap} y2="0" stroke="var(--line)" strokeWidth="1.1" />
          {cross && <line x1="0" y1="0" x2="0" y2={gap} stroke="var(--line)" strokeWidth="1.1" />}
        </pattern>
      ))}
    </defs>
  );
}
