'use client';
import { Modal } from 'react-bootstrap';
import { FindBox } from '../shared/FindBox';
import { KeyDialog } from '../shared/KeyDialog';
import { shownKey, type Command } from './commands';

/** Everything that can be done here, with its key: type a word, arrows, Enter. */
export function CommandPalette({
  show,
  onClosed,
  ...rest
}: {
  show: boolean;
  /** What was typed already. */
  seed: string;
  commands: readonly Command[];
  onClose: () => void;
  onClosed: () => void;
}) {
  return (
    <KeyDialog id="palette" show={show} title="What can be done" onClose={rest.onClose} onClosed={onClosed}>
      <Modal.Body>
        <Choices {...rest} />
      </Modal.Body>
    </KeyDialog>
  );
}

function Choices({ commands, onClose, seed }: { seed: string; commands: readonly Command[]; onClose: () => void }) {
  return (
    <FindBox
      id="command"
      label="Find a command"
      listLabel="Commands"
      placeholder="e.g. symmetric, repeat, turn"
      seed={seed}
      items={commands}
      textOf={({ title, group, key }) => `${title} ${group} ${key}`}
      keyOf={({ id }) => id}
      isOff={({ off }) => Boolean(off)}
      onPick={(command) => {
        if (command.off) return;
        onClose();
        command.run();
      }}
      empty="Nothing of that name can be done here."
    >
      {({ title, group, key, off }) => (
        <>
          <span className="soft palette-group">{group}</span>
          <span className="flex-grow-1">
            {title}
            {off && <span className="small"> ({off})</span>}
          </span>
          {key && <kbd>{shownKey(key)}</kbd>}
        </>
      )}
    </FindBox>
  );
}
