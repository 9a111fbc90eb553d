import dynamic from 'next/dynamic';
import type { Caution } from '@/core/caution';
import { stackWorking, zoneWorking, type ZoneCheck, type ZoneEvaluation } from '@/core/evaluate';
import type { Boat, Part, Zone } from '@/core/document';
import { CHECKS } from '@/core/standard';
import { CautionList } from '../shared/CautionList';
import { useDesign } from '../shared/boat';
import type { WorkingRequest } from '../shared/WorkingPanel';
import type { LayupState } from './useTrial';
import { ZonePanel } from './ZonePanel';

// Behind a tab: fetched when it is opened.
const DetailCautions = dynamic(() => import('../details/DetailCautions').then((module) => module.DetailCautions), {
  ssr: false,
});
const LayerMovesPanel = dynamic(() => import('./LayerMovesPanel').then((module) => module.LayerMovesPanel), {
  ssr: false,
});

const titleOf = (topic: ZoneCheck | 'stack' | 'all') =>
  typeof topic === 'string' ? WHOLE_TITLES[topic] : CHECKS[topic.id];
const WHOLE_TITLES = { all: 'whole working', stack: 'stack and stiffness' } as const;

/** The chosen zone beside the grid: its section and results, what each layer buys, what is said against it. */
export function ZoneSide({
  boat,
  part,
  zone,
  evaluation,
  cautions,
  settledBoat,
  trial,
  chosenLayer,
  onWorking,
}: {
  boat: Boat;
  part: Part;
  zone: Zone;
  evaluation: ZoneEvaluation;
  /** Null until the rules have been looked through. */
  cautions: readonly Caution[] | null;
  /** As it stood when the hand last rested. */
  settledBoat: Boat;
  trial: LayupState;
  chosenLayer: string | null;
  onWorking: (request: WorkingRequest) => void;
}) {
  const stored = useDesign();
  const ofZone = (cautions ?? []).filter((caution) => caution.zoneIds.includes(zone.id));
  return (
    <ZonePanel
      boat={boat}
      zone={zone}
      evaluation={evaluation}
      openCautions={ofZone.filter(({ accepted }) => !accepted).length}
      cautions={
        <>
          <CautionList
            boat={boat}
            cautions={ofZone}
            empty={cautions ? 'Nothing to say against this stack.' : 'Looking through the rules…'}
          />
          <DetailCautions boat={settledBoat} zoneId={zone.id} />
        </>
      }
      moves={
        <LayerMovesPanel
          boat={stored.boat}
          part={stored.boat.parts.find(({ id }) => id === part.id) ?? part}
          zone={zone}
          evaluations={stored.evaluations}
          shown={trial.titles.length === 1 ? trial.titles[0]! : null}
          onPreview={(move) => (move ? trial.propose(move.title, move.edits) : trial.drop())}
          onAccept={trial.keep}
        />
      }
      chosenLayer={chosenLayer}
      onWorking={(topic) =>
        onWorking({
          title: `${zone.name}: ${titleOf(topic)}`,
          record: () => {
            if (topic === 'stack') return stackWorking(boat, part, zone);
            if (topic === 'all') return [...zoneWorking(boat, part, zone), ...stackWorking(boat, part, zone)];
            return zoneWorking(boat, part, zone, { check: topic.id, packId: topic.pack });
          },
        })
      }
    />
  );
}
