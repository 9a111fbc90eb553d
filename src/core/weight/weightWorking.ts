import { put, type WorkingStep } from '../working';
import type { BoatWeight } from './boatWeight';

/** The working of the boat's laminate mass and its centre. */
export function weightWorking(weight: BoatWeight): { title: string; steps: WorkingStep[] }[] {
  const zones = weight.parts.flatMap((part) => part.zones);
  const masses = zones.map((zone, i) => put(`m_{${i + 1}}`, zone.mass, 'kg'));
  const centre = (axis: 'x' | 'z', value: number | null): WorkingStep[] =>
    value === null
      ? []
      : [
          {
            quantity: axis === 'x' ? 'Centre of gravity along' : 'Centre of gravity above the baseline',
            symbol: `${axis}_G`,
            formula: `\\frac{\\sum m_i ${axis}_i}{\\sum m_i}`,
            inputs: zones.map((zone, i) => put(`${axis}_{${i + 1}}`, axis === 'x' ? zone.centreX : zone.centreZ, 'm')),
            value,
            unit: 'm',
            source: 'First moments of the zone masses about the datum',
          },
        ];
  return [
    {
      title: 'Mass',
      steps: [
        {
          quantity: `Laminate mass: ${zones.map((zone, i) => `${i + 1} ${zone.name}`).join(', ')}`,
          symbol: 'm',
          formula: '\\sum m_i',
          inputs: masses,
          value: weight.mass,
          unit: 'kg',
          source: 'Area times laminated weight of every zone; laps, stiffeners and details as laid',
        },
        {
          quantity: weight.over > 0 ? 'Over the target' : 'In hand',
          symbol: '\\Delta m',
          formula: 'm - m_{target}',
          inputs: [put('m_{target}', weight.target, 'kg')],
          value: weight.over,
          unit: 'kg',
          source: 'Target of the Brief',
        },
      ],
    },
    { title: 'Centre of gravity', steps: [...centre('x', weight.centreX), ...centre('z', weight.centreZ)] },
  ];
}
