'use client';
import { useQuery } from '@tanstack/react-query';
import { boatFromFile, isTemplate, newBoat, templateFromJson, type Boat } from '@/core/document';
import { api, wordsOf } from '../shared/api';

/** What a new boat begins from. */
export type SourceChoice =
  | { kind: 'template'; id: string }
  /** The draft, or the revision of that label. */
  | { kind: 'boat'; id: string; revision: string | null }
  | { kind: 'document'; name: string; boat: Boat }
  | { kind: 'empty' };

/** A boat out of a document that is a boat or a template. @throws KeramosError in words. */
export const boatOfDocument = (text: string): Boat =>
  isTemplate(text) ? templateFromJson(text).boat : boatFromFile(text);

async function read(choice: SourceChoice): Promise<Boat> {
  if (choice.kind === 'document') return choice.boat;
  if (choice.kind === 'empty') return newBoat('New boat');
  if (choice.kind === 'template')
    return templateFromJson(JSON.stringify(await api('GET', `/api/templates/${choice.id}`))).boat;
  const at = choice.revision === null ? '' : `/revisions/${encodeURIComponent(choice.revision)}`;
  return (await api<{ boat: Boat }>('GET', `/api/boats/${choice.id}${at}`)).boat;
}

/** The boat that a choice stands for; null while it is read. */
export function useSource(choice: SourceChoice): { source: Boat | null; error: string | null } {
  const key = choice.kind === 'document' ? [choice.kind, choice.boat] : [choice];
  const { data, error } = useQuery({
    queryKey: ['source', ...key],
    queryFn: () => read(choice),
    staleTime: 60_000,
    structuralSharing: false,
  });
  return { source: data ?? null, error: error ? wordsOf(error) : null };
}
