'use client';
import { Modal } from 'react-bootstrap';
import { FindBox } from '../shared/FindBox';
import { shownKey, type Command } from './commands';

/** Everything that can be done here, with its key: type a word, arrows, Enter. */
export function CommandPalette({ show, commands, onClose, onClosed }: { show: boolean; commands: readonly Command[]; onClose: () => void; onClosed: () => void }) {
  return (
    <Modal show={show} onHide={onClose} onExited={onClosed} restoreFocus={false} aria-labelledby="palette-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="palette-title">
          What can be done
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <Choices commands={commands} onClose={onClose} />
      </Modal.Body>
    </Modal>
  );
}

function Choices({ commands, onClose }: { commands: readonly Command[]; onClose: () => void }) {
  return (
    <FindBox
      id="command"
      label="Find a command"
      listLabel="Commands"
      placeholder="e.g. symmetric, repeat, turn"
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
