'use client';
import { useEffect, useRef, useState } from 'react';
import { Form, Modal } from 'react-bootstrap';
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
  const [sought, setSought] = useState('');
  const [at, setAt] = useState(0);
  const list = useRef<HTMLDivElement>(null);
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const found = commands.filter(({ title, group, key }) => words.every((word) => `${title} ${group} ${key}`.toLowerCase().includes(word)));
  const chosen = Math.min(at, found.length - 1);
  useEffect(() => {
    list.current?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' });
  }, [chosen, sought]);
  const run = (command: Command | undefined) => {
    if (!command || command.off) return;
    onClose();
    command.run();
  };
  return (
    <>
      <Form.Control
        autoFocus
        role="combobox"
        aria-label="Find a command"
        aria-expanded="true"
        aria-controls="palette-options"
        aria-activedescendant={found[chosen] ? `command-${found[chosen].id}` : undefined}
        placeholder="e.g. symmetric, repeat, turn"
        value={sought}
        onChange={(event) => {
          setSought(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setAt(Math.min(chosen + 1, found.length - 1));
          else if (event.key === 'ArrowUp') setAt(Math.max(chosen - 1, 0));
          else if (event.key === 'Enter') run(found[chosen]);
          else return;
          event.preventDefault();
        }}
      />
      <div ref={list} className="picker-list mt-2" id="palette-options" role="listbox" aria-label="Commands">
        {found.map((command, index) => (
          <div
            key={command.id}
            id={`command-${command.id}`}
            role="option"
            aria-selected={index === chosen}
            aria-disabled={Boolean(command.off)}
            className={command.off ? 'soft' : ''}
            onMouseEnter={() => setAt(index)}
            onClick={() => run(command)}
          >
            <span className="soft palette-group">{command.group}</span>
            <span className="flex-grow-1">
              {command.title}
              {command.off && <span className="small"> ({command.off})</span>}
            </span>
            {command.key && <kbd>{shownKey(command.key)}</kbd>}
          </div>
        ))}
        {found.length === 0 && <p className="soft p-2 mb-0">Nothing of that name can be done here.</p>}
      </div>
    </>
  );
}
