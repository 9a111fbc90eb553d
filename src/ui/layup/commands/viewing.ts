import type { Command } from './command';
import type { CommandTools } from './context';

/** What is looked at. */
export function viewing(tools: CommandTools): Command[] {
  return [
    {
      id: 'palette',
      group: 'View',
      title: 'Show everything that can be done',
      key: 'Ctrl+K',
      run: tools.palette,
    },
    { id: 'view-grid', group: 'View', title: 'Layers by zones', key: 'Alt+1', run: () => tools.view('grid') },
    {
      id: 'view-section',
      group: 'View',
      title: 'Section, lines and drop-offs',
      key: 'Alt+2',
      run: () => tools.view('section'),
    },
    { id: 'view-book', group: 'View', title: 'Book of laminates', key: 'Alt+3', run: () => tools.view('book') },
    {
      id: 'part-settings',
      group: 'View',
      title: 'Hands, number-off, drop-off ratio of the part',
      key: '',
      run: tools.partSettings,
    },
  ];
}
