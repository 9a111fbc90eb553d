'use client';
import { useEffect, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Said } from '../shared/Said';

/** One question asked in the grid's own bar: a name, a number. */
export interface Question {
  label: string;
  value: string;
  options?: Record<string, string>;
  option?: string;
  /** @returns why not, or nothing. */
  answer: (value: string, option: string) => string | undefined;
}

export function AskBar({ question, onDone }: { question: Question; onDone: () => void }) {
  const [value, setValue] = useState(question.value);
  const [option, setOption] = useState(question.option ?? '');
  const [refusal, setRefusal] = useState<string | null>(null);
  const box = useRef<HTMLInputElement>(null);
  useEffect(() => {
    box.current?.focus();
    box.current?.select();
  }, []);
  return (
    <Form
      className="preview-bar"
      onSubmit={(event) => {
        event.preventDefault();
        const said = question.answer(value.trim(), option);
        if (said) setRefusal(said);
        else onDone();
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onDone();
      }}
    >
      <Form.Label htmlFor="ask" className="mb-0 text-nowrap">
        {question.label}
      </Form.Label>
      <Form.Control
        id="ask"
        ref={box}
        size="sm"
        className="w-auto"
        maxLength={80}
        value={value}
        isInvalid={refusal !== null}
        onChange={(event) => setValue(event.target.value)}
      />
      {question.options && (
        <Form.Select
          size="sm"
          className="w-auto"
          aria-label="Kind"
          value={option}
          onChange={(event) => setOption(event.target.value)}
        >
          {Object.entries(question.options).map(([key, name]) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </Form.Select>
      )}
      <Button type="submit" size="sm">
        Do it
      </Button>
      <Button size="sm" variant="outline-primary" onClick={onDone}>
        Leave it
      </Button>
      {refusal && (
        <span className="small verdict fails" role="alert">
          <Said text={refusal} />
        </span>
      )}
    </Form>
  );
}
