/** A handler of the application, asked by hand. */
export type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;

/** Every route of the interface by its address, /boats/[boatId]. */
export const FILES = Object.fromEntries(
  Object.entries(import.meta.glob<Partial<Record<string, Handler>>>('../../src/app/api/**/route.ts')).map(
    ([file, load]) => [file.replace('../../src/app/api', '').replace('/route.ts', ''), load],
  ),
);
