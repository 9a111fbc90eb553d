import { shapeOf, type Boat } from '../document';

/** A room that the structure makes: what a compartment, a tank or a block of foam may fill. m. */
export interface Room {
  name: string;
  from: number;
  to: number;
  bottom: number;
  top: number;
}

const rounded = (value: number) => Number(value.toFixed(3));

/**
 * The rooms that bulkheads, soles and liners make in a boat: between each bulkhead and the next, from the keel to the
 * deck, and under the cockpit sole and every pan.
 *
 * @returns none for a boat without a shape.
 */
export function roomsOf(boat: Boat): Room[] {
  const shape = shapeOf(boat);
  if (!shape) return [];
  const { hull, deck } = shape;
  const zones = boat.parts.flatMap((part) => part.zones);
  const walls = [
    { x: hull.aft, name: 'the transom' },
    ...zones.flatMap(({ name, region }) => (region?.surface === 'section' ? [{ x: region.x, name }] : [])),
    { x: hull.bow, name: 'the stem' },
  ].sort((a, b) => a.x - b.x);
  const places = Array.from({ length: 33 }, (_, i) => hull.aft + (i / 32) * (hull.bow - hull.aft));
  const [low, high] = [
    Math.min(...places.map((x) => hull.at(x, 0)[2])),
    Math.max(...places.map((x) => hull.at(x, 2)[2])) + deck.camber,
  ];
  const between = walls.slice(1).map((wall, i): Room => {
    const before = walls[i]!;
    const name = `Between ${before.name} and ${wall.name}`;
    return { name, from: rounded(before.x), to: rounded(wall.x), bottom: rounded(low), top: rounded(high) };
  });
  const under = (name: string, from: number, to: number, top: number): Room => {
    return { name, from: rounded(from), to: rounded(to), bottom: rounded(low), top: rounded(top) };
  };
  const soles = zones.flatMap(({ name, region }): Room[] => {
    if (region?.surface === 'pan') return [under(`Under ${name}`, region.from, region.to, region.height)];
    if (region?.surface !== 'cockpit' || region.piece !== 'sole' || !deck.cockpit) return [];
    return [under(`Under ${name}`, deck.cockpit.from, deck.cockpit.to, deck.cockpit.soleHeight)];
  });
  return [...between.filter(({ from, to }) => to - from > 0.05), ...soles.filter(({ bottom, top }) => top > bottom)];
}
