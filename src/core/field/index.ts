/** What a field of a document is, said once: label, quantity, range, choice, reference; and what follows from that. */
export {
  bounded,
  choice,
  flag,
  idSchema,
  inner,
  isNullable,
  labelOf,
  nameOf,
  noted,
  notesOf,
  numberChoice,
  objectSchemaOf,
  refer,
  shortLength,
  since,
  text,
  whole,
  type FieldNotes,
  type ListName,
  type Reference,
} from './field';
export { compareFields, same, valueInWords, type NameOf, type Naming } from './compare';
export { referencesIn, type Held } from './references';
export { formFields, readAt, writeAt, type FormField } from './formFields';
