'use client';
import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useId, type ReactNode } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { personHere } from './api';
import { keepDraft, takeDraft } from './useDraft';
import { useWho } from './who';

/** Who and why: what every act that stays on record asks for. */
export const signedSchema = z.object({
  by: z.string().trim().min(2, 'Give a name of at least 2 characters').max(60, 'At most 60 characters'),
  why: z.string().trim().min(3, 'Say in a few words why').max(600, 'At most 600 characters'),
});
export type Signed = z.infer<typeof signedSchema>;

export interface SignedFormProps {
  /** What the two fields are called. */
  labels: { by: string; why: string };
  /** The acts to choose from; the first is what Enter does. */
  acts: readonly { name: string; run: (signed: Signed) => Promise<boolean>; quiet?: boolean }[];
  disabled?: boolean;
  /** In one line, labels for screen readers only. */
  inline?: boolean;
  onLeave?: () => void;
  children?: ReactNode;
}

/** A name and a reason, checked as they are typed in, kept until the act was taken. */
export function SignedForm({ labels, acts, disabled = false, inline = false, onLeave, children }: SignedFormProps) {
  const { register, handleSubmit, reset, formState, getValues, setValue } = useForm<Signed>({
    resolver: zodResolver(signedSchema),
    mode: 'onTouched',
    defaultValues: { by: personHere(), why: '' },
  });
  const { errors, isSubmitting } = formState;
  const { who } = useWho();
  useEffect(() => {
    if (who !== null) setValue('by', who.name);
  }, [who, setValue]);
  useEffect(() => {
    const typed = takeDraft(labels.why);
    if (typed !== null) setValue('why', typed);
  }, [labels.why, setValue]);
  const act = (run: (signed: Signed) => Promise<boolean>) =>
    handleSubmit(async (signed) => {
      if (!(await run(signed))) return;
      keepDraft(labels.why, null);
      reset({ by: getValues('by'), why: '' });
    });
  const id = useId();
  const field = (name: 'by' | 'why', label: string) => (
    <Form.Group controlId={`${id}-${name}`} className={inline && name === 'why' ? 'flex-grow-1' : ''}>
      <Form.Label className={inline ? 'visually-hidden' : 'mb-0'}>{label}</Form.Label>
      <Form.Control
        {...register(name, name === 'why' ? { onChange: () => keepDraft(labels.why, getValues('why')) } : {})}
        {...(name === 'why' && !inline ? { as: 'textarea' as const, rows: 2 } : {})}
        {...(inline ? { size: 'sm' as const, placeholder: label.toLowerCase() } : {})}
        maxLength={name === 'by' ? 60 : 600}
        readOnly={name === 'by' && who !== null}
        isInvalid={errors[name] !== undefined}
        aria-describedby={`${id}-${name}-says`}
      />
      <Form.Control.Feedback type="invalid" id={`${id}-${name}-says`}>
        {errors[name]?.message}
      </Form.Control.Feedback>
    </Form.Group>
  );
  return (
    <Form
      className={inline ? 'd-flex gap-2 align-items-start flex-wrap mb-2' : 'd-grid gap-2'}
      onSubmit={act(acts[0]!.run)}
      noValidate
    >
      {field('by', labels.by)}
      {field('why', labels.why)}
      <div className="d-flex align-items-center gap-2">
        {acts.map(({ name, run, quiet }, i) => (
          <Button
            key={name}
            type={i === 0 ? 'submit' : 'button'}
            {...(inline ? { size: 'sm' as const } : {})}
            variant={quiet ? 'outline-primary' : 'primary'}
            disabled={disabled || isSubmitting}
            {...(i === 0 ? {} : { onClick: act(run) })}
          >
            {name}
          </Button>
        ))}
        {onLeave && (
          <Button size="sm" variant="outline-primary" onClick={onLeave}>
            Leave it
          </Button>
        )}
        {children}
      </div>
    </Form>
  );
}
