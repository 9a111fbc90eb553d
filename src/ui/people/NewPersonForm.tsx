'use client';
import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Form } from 'react-bootstrap';
import { Controller, useForm } from 'react-hook-form';
import type { z } from 'zod';
import { newPerson, type Role } from '@/core/people';
import { ApiError, wordsOf } from '../shared/api';
import { RoleBoxes } from './PersonFields';

type Typed = z.input<typeof newPerson>;
const FIELDS = [
  { name: 'name', label: 'Name', type: 'text', hint: 'As it stands on records', complete: 'off' },
  { name: 'login', label: 'Signs in as', type: 'text', hint: 'Small letters and figures', complete: 'off' },
  { name: 'password', label: 'Password', type: 'password', hint: 'At least 10 characters', complete: 'new-password' },
] as const;

/** A new account. */
export function NewPersonForm({
  first = false,
  onMake,
}: {
  /** The account that the others are made from. */
  first?: boolean;
  onMake: (person: Typed) => Promise<void>;
}) {
  const roles: Role[] = first ? ['manager', 'designer'] : ['laminator'];
  const { register, handleSubmit, control, formState, setError, reset } = useForm<Typed>({
    resolver: zodResolver(newPerson),
    mode: 'onTouched',
    defaultValues: { name: '', login: '', password: '', roles },
  });
  const { errors, isSubmitting } = formState;
  const make = handleSubmit(async (typed) => {
    try {
      await onMake(typed);
      reset();
    } catch (error) {
      const field = error instanceof ApiError ? FIELDS.find(({ name }) => name === error.path)?.name : undefined;
      setError(field ?? 'root', { message: wordsOf(error) });
    }
  });
  return (
    <Form className="d-grid gap-2" noValidate onSubmit={make}>
      {FIELDS.map(({ name, label, type, hint, complete }) => (
        <Form.Group key={name} controlId={`person-${name}`}>
          <Form.Label className="mb-0">{label}</Form.Label>
          <Form.Control
            type={type}
            autoComplete={complete}
            autoCapitalize={name === 'name' ? 'words' : 'none'}
            isInvalid={errors[name] !== undefined}
            aria-describedby={`person-${name}-says`}
            {...register(name)}
          />
          <div id={`person-${name}-says`} className={errors[name] ? 'invalid-feedback d-block' : 'form-text'}>
            {errors[name]?.message ?? hint}
          </div>
        </Form.Group>
      ))}
      <Controller
        control={control}
        name="roles"
        render={({ field }) => (
          <RoleBoxes roles={field.value} refusal={errors.roles?.message} onSet={(next) => field.onChange(next)} />
        )}
      />
      {errors.root && <div className="invalid-feedback d-block">{errors.root.message}</div>}
      <div>
        <Button type="submit" disabled={isSubmitting}>
          {first ? 'Make the first account' : 'Make the account'}
        </Button>
      </div>
    </Form>
  );
}
