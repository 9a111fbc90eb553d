import type { Command } from './command';
import type { CommandTools } from './context';

/** The next step is proposed, and what is on trial kept or dropped. */
export function judging(tools: CommandTools): Command[] {
  const { none } = tools;
  return [
    {
      id: 'lightest',
      group: 'Judge',
      title: 'Lightest next step in the zone shown, on trial',
      key: 'L',
      off: none,
      run: () => tools.step('lightest'),
    },
    {
      id: 'strongest',
      group: 'Judge',
      title: 'Strongest next step in the zone shown, on trial',
      key: 'Shift+L',
      off: none,
      run: () => tools.step('strongest'),
    },
    {
      id: 'per-kilogram',
      group: 'Judge',
      title: 'Most reserve for a kilogram in the zone shown, on trial',
      key: 'Alt+L',
      off: none,
      run: () => tools.step('perKilogram'),
    },
    {
      id: 'try-first',
      group: 'Judge',
      title: tools.tryFirst
        ? 'Take changes at once again'
        : 'Try changes first: show the difference before they are taken',
      key: 'P',
      run: () => tools.setTryFirst(!tools.tryFirst),
    },
    {
      id: 'keep',
      group: 'Judge',
      title: 'Keep what is shown on trial',
      key: 'Ctrl+Enter',
      off: !tools.trial && 'nothing is on trial',
      run: tools.keep,
    },
    {
      id: 'drop',
      group: 'Judge',
      title: 'Drop what is shown on trial',
      key: 'Escape',
      off: !tools.trial && 'nothing is on trial',
      run: tools.drop,
    },
  ];
}
