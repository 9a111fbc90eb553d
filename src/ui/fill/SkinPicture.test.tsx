// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { FillLine } from '@/core/document';
import type { FillSkin } from '@/core/fill';
import { HouseUnitsProvider } from '../shared/units';
import { SkinPicture } from './SkinPicture';

/** A skin of 2 × 0.8 m: 972 of the picture's 1000 units are its two metres. */
const skin = {
  id: 'skin',
  name: 'Floor',
  outline: [
    [0, 0],
    [2, 0],
    [2, 0.8],
    [0, 0.8],
  ],
  zones: [],
  axes: { x: 'forward', y: 'up' },
} as unknown as FillSkin;
const line: FillLine = {
  id: 'keel',
  name: 'Keel',
  role: 'feed',
  points: [
    [0, 0.4],
    [2, 0.4],
  ],
  opens: 'start',
  at: 0,
  closes: null,
};
const [onChoose, onDraw, onMoved] = [vi.fn(), vi.fn(), vi.fn()];
function show(drawing: 'feed' | 'vent' | null) {
  render(
    <HouseUnitsProvider units="metric">
      <SkinPicture
        {...{ skin, drawing, onChoose, onDraw, onMoved }}
        lines={[line]}
        chosen={null}
        drawn={[]}
        front={null}
      />
    </HouseUnitsProvider>,
  );
  return screen.getByRole('group', { name: 'Floor: 1 lines on it' });
}
beforeEach(() => {
  vi.spyOn(SVGElement.prototype, 'getBoundingClientRect').mockReturnValue(new DOMRect(0, 0, 1000, 445));
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  vi.clearAllMocks();
});

describe('the picture of a skin', () => {
  it('takes the focus when a line is begun, so that the keys that end and leave it reach it', () => {
    const drawn = show('vent');
    expect(document.activeElement).toBe(drawn);
    cleanup();
    const looked = show(null);
    expect(document.activeElement).not.toBe(looked);
  });
  it('draws a point where one clicks, on a line that lies there too', () => {
    const picture = show('vent');
    fireEvent.click(picture, { clientX: 500, clientY: 100 });
    fireEvent.click(screen.getByRole('button', { name: 'Keel' }), { clientX: 500, clientY: 220 });
    expect(onDraw).toHaveBeenCalledTimes(2);
    const [, [second]] = onDraw.mock.calls as [[number, number]][];
    // In the middle of the skin, half way up: drawn to the line itself.
    expect(second![0]).toBeCloseTo(1, 1);
    expect(second![1]).toBeCloseTo(0.4, 1);
    expect(onChoose).not.toHaveBeenCalled();
  });
  it('chooses a line where none is drawn, by a click and by key, and lets it go by a click beside it', () => {
    const picture = show(null);
    fireEvent.click(screen.getByRole('button', { name: 'Keel' }));
    fireEvent.keyDown(screen.getByRole('button', { name: 'Keel' }), { key: 'Enter' });
    fireEvent.click(picture, { clientX: 500, clientY: 60 });
    expect(onChoose.mock.calls).toEqual([['keel'], ['keel'], [null]]);
    expect(onDraw).not.toHaveBeenCalled();
  });
});
