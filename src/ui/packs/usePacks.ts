import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { packSchema, type StandardPack } from '@/core/standard';
import { slug } from '@/core/material';
import { api, wordsOf } from '../shared/api';

const KEY = ['packs'];

/** Something done to the packs: what is sent, what is said of it, and what shows before the server has answered. */
interface Doing {
  send: () => Promise<unknown>;
  said: string;
  /** The pack as it will be. */
  shown?: StandardPack;
}

/** The first name of its kind that is free. */
function freeId(title: string, taken: ReadonlySet<string>): string {
  const base = slug(title).slice(0, 50);
  const candidates = Array.from({ length: taken.size + 1 }, (_, i) => (i === 0 ? base : `${base}-${i + 1}`));
  return candidates.find((candidate) => !taken.has(candidate))!;
}

/** The standards of the yard, and what can be done to them; what was refused goes back to what the server holds. */
export function usePacks(initial: StandardPack[]) {
  const client = useQueryClient();
  const { data: packs } = useQuery({
    queryKey: KEY,
    queryFn: () => api<StandardPack[]>('GET', '/api/packs'),
    initialData: initial,
  });
  const [said, setSaid] = useState<string | null>(null);
  const { mutateAsync, error, reset } = useMutation({
    // One after the other: each change builds on the one before it.
    scope: { id: 'packs' },
    mutationFn: ({ send }: Doing) => send(),
    onMutate: async ({ shown }) => {
      setSaid(null);
      await client.cancelQueries({ queryKey: KEY });
      if (shown)
        client.setQueryData<StandardPack[]>(KEY, (known) => known?.map((one) => (one.id === shown.id ? shown : one)));
    },
    onSuccess: (_answer, doing) => setSaid(doing.said),
    onSettled: () => client.invalidateQueries({ queryKey: KEY }),
  });
  const attempt = (doing: Doing) =>
    mutateAsync(doing).then(
      (answer) => answer,
      () => undefined,
    );
  return {
    packs,
    said,
    hush: () => setSaid(null),
    trouble: error ? wordsOf(error) : null,
    calm: reset,
    put: async (next: StandardPack, words: string): Promise<void> =>
      void (await attempt({ send: () => api('PUT', `/api/packs/${next.id}`, next), said: words, shown: next })),
    drop: ({ id, title }: StandardPack) =>
      attempt({
        send: () => api('DELETE', `/api/packs/${id}`),
        said: `${title} is dropped; boats that use it keep theirs.`,
      }),
    /** @returns the id of the copy. */
    copy: async (pack: StandardPack): Promise<string | undefined> => {
      const id = freeId(`${pack.title} copy`, new Set(packs.map((one) => one.id)));
      const own = { ...pack, id, title: `${pack.title}, copy`, basedOn: pack.basedOn ?? pack.id, signOff: null };
      const send = () => api<StandardPack>('POST', '/api/packs', packSchema.parse(own));
      return (await attempt({ send, said: 'Copied: its coefficients can now be changed.' })) ? id : undefined;
    },
    /** @returns the id of the pack that came in. */
    bring: async (file: File): Promise<string | undefined> => {
      const send = async () => api<StandardPack>('POST', '/api/packs/import', await file.text());
      const said = 'The pack is here, unverified until somebody of this yard signs.';
      return ((await attempt({ send, said })) as StandardPack | undefined)?.id;
    },
  };
}
