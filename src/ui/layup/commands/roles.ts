import { LAYER_ROLES, type LayerRole } from '@/core/document';
import type { Command } from './command';
import type { CommandTools } from './context';

const TITLES: Record<LayerRole, string> = {
  structure: 'Count as structure',
  sacrificial: 'Sacrificial: weighs, is ground back, carries nothing',
  comesOff: 'Comes off again, like peel ply: neither weight nor strength',
};

/** What layers are for. */
export function roles({ chosen, none, run }: CommandTools): Command[] {
  return (Object.keys(LAYER_ROLES) as LayerRole[]).map((role) => ({
    id: `role-${role}`,
    group: 'Layers',
    title: TITLES[role],
    key: '',
    off: none || (chosen.every((layer) => layer.role === role) && 'it is so already'),
    run: () =>
      run(null, () =>
        chosen
          .filter((layer) => layer.role !== role)
          .map((layer) => ({ type: 'layer.set', layerId: layer.id, patch: { role } })),
      ),
  }));
}
