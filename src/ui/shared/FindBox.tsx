'use client';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Form } from 'react-bootstrap';

/** Type a part of what is looked for, arrows, Enter: an entry over the list of what it finds. */
export function FindBox<T>({
  id,
  label,
  listLabel,
  placeholder,
  seed = '',
  items,
  textOf,
  keyOf,
  isOff,
  onPick,
  children,
  empty,
}: {
  /** Of the list and, with a key, of each item. */
  id: string;
  label: string;
  listLabel: string;
  placeholder: string;
  /** What was typed already. */
  seed?: string;
  items: readonly T[];
  /** Every word typed must stand in it. */
  textOf: (item: T) => string;
  keyOf: (item: T) => string;
  isOff?: (item: T) => boolean;
  onPick: (item: T) => void;
  children: (item: T) => ReactNode;
  empty: string;
}) {
  const [sought, setSought] = useState(seed);
  const [at, setAt] = useState(0);
  const list = useRef<HTMLDivElement>(null);
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const found = items.filter((item) => words.every((word) => textOf(item).toLowerCase().includes(word)));
  const chosen = Math.min(at, found.length - 1);
  const item = found[chosen];

  useEffect(() => {
    list.current?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' });
  }, [chosen, sought]);

  return (
    <>
      <Form.Control
        autoFocus
        role="combobox"
        aria-label={label}
        aria-expanded="true"
        aria-controls={`${id}-options`}
        aria-activedescendant={item === undefined ? undefined : `${id}-${keyOf(item)}`}
        placeholder={placeholder}
        value={sought}
        onChange={(event) => {
          setSought(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setAt(Math.min(chosen + 1, found.length - 1));
          else if (event.key === 'ArrowUp') setAt(Math.max(chosen - 1, 0));
          else if (event.key === 'Enter' && item !== undefined) onPick(item);
          else return;
          event.preventDefault();
        }}
      />
      <div ref={list} className="picker-list mt-2" id={`${id}-options`} role="listbox" aria-label={listLabel}>
        {found.map((one, index) => (
          <div
            key={keyOf(one)}
            id={`${id}-${keyOf(one)}`}
            role="option"
            aria-selected={index === chosen}
            aria-disabled={isOff?.(one) ?? false}
            className={isOff?.(one) ? 'soft' : ''}
            onMouseEnter={() => setAt(index)}
            onClick={() => onPick(one)}
          >
            {children(one)}
          </div>
        ))}
        {found.length === 0 && <p className="soft p-2 mb-0">{empty}</p>}
      </div>
    </>
  );
}
