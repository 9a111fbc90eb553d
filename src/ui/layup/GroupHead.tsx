import { GROUP_KINDS, type LayerGroup, type Part } from '@/core/document';
import { repeatOf } from '@/core/edit';

/** The line over the layers of a group: its name, how often it repeats, and the laminate it follows. */
export function GroupHead({
  part,
  group,
  row,
  laminate,
  span,
  onGroup,
}: {
  part: Part;
  group: LayerGroup;
  row: number;
  laminate: string | null;
  span: number;
  onGroup: (group: LayerGroup) => void;
}) {
  const own = part.layers.filter((layer) => layer.group === group.id);
  const parted = part.layers.slice(0, row).some((layer) => layer.group === group.id);
  const { times } = repeatOf(own);
  return (
    <tr role="row" className="group-row">
      <td role="gridcell" colSpan={span}>
        <button
          type="button"
          tabIndex={-1}
          className="plain-button"
          title="Select the layers of this group"
          onClick={() => onGroup(group)}
        >
          <span className="fw-semibold">{group.name}</span>
          {times > 1 && <span className="fw-semibold"> ×{times}</span>}
          <span className="soft">
            {' '}
            {group.name === GROUP_KINDS[group.kind] ? '' : `${GROUP_KINDS[group.kind].toLowerCase()}, `}
            {own.length} {own.length === 1 ? 'layer' : 'layers'}
            {parted && ', continued'}
            {laminate && `, laminate “${laminate}”`}
          </span>
        </button>
      </td>
    </tr>
  );
}
