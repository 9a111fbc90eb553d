'use client';
import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Form } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import { signOffSchema, type SignOff, type StandardPack } from '@/core/standard';

const signedSchema = signOffSchema.omit({ at: true });

/** Who checked the pack against their own copy of its text; withdrawn as easily. */
export function SignOffForm({
  pack,
  onSign,
}: {
  pack: StandardPack;
  onSign: (signOff: SignOff | null) => Promise<void>;
}) {
  const { register, handleSubmit, formState } = useForm({
    resolver: zodResolver(signedSchema),
    defaultValues: { by: '', note: '' },
  });
  if (pack.signOff)
    return (
      <p className="mb-2">
        <span className="verdict meets">✓ signed off</span> by {pack.signOff.by} on {pack.signOff.at.slice(0, 10)}:{' '}
        {pack.signOff.note}{' '}
        <Button size="sm" variant="outline-primary" className="py-0" onClick={() => void onSign(null)}>
          Withdraw
        </Button>
      </p>
    );
  const { by, note } = formState.errors;
  const sign = handleSubmit((signed) => onSign({ ...signed, at: new Date().toISOString() }));
  return (
    <Form noValidate className="sign-off mb-3" onSubmit={(event) => void sign(event)}>
      <span className="verdict thin">△ unverified</span>
      <Form.Control
        size="sm"
        aria-label="Signed by"
        placeholder="Your name"
        maxLength={60}
        isInvalid={by !== undefined}
        {...register('by')}
      />
      <Form.Control
        size="sm"
        aria-label="What was checked"
        placeholder="What you checked against which text"
        maxLength={600}
        isInvalid={note !== undefined}
        {...register('note')}
      />
      <Button size="sm" type="submit" variant="outline-primary">
        Sign off
      </Button>
      {(by ?? note) && <div className="invalid-feedback d-block">{(by ?? note)!.message}</div>}
    </Form>
  );
}
