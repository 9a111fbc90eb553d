import { readFileSync } from 'node:fs';
import path from 'node:path';
import { KeramosError } from '@/core/error';
import { answer } from '@/server/http';
import { SCREEN_HELP } from '@/ui/help/helpData';

type Context = { params: Promise<{ name: string }> };

/** Pictures of the screens that help shows: those it names, and no other file. */
export const GET = (_request: Request, { params }: Context) =>
  answer(async () => {
    const { name } = await params;
    const known = Object.values(SCREEN_HELP).some(({ picture }) => picture === name);
    if (!known) throw new KeramosError('notFound', `There is no picture "${name.slice(0, 60)}"`, 'name');
    const folder = path.join(/* turbopackIgnore: true */ process.cwd(), 'docs', 'screenshots');
    return new Response(new Uint8Array(readFileSync(path.join(folder, `${name}.png`))), {
      headers: { 'content-type': 'image/png', 'cache-control': 'private, max-age=3600' },
    });
  });
