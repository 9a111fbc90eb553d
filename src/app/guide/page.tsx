import { readFileSync } from 'node:fs';
import path from 'node:path';
import { marked } from 'marked';
import { pageContext } from '@/server/page';
import { Frame } from '@/ui/shared/Frame';
import { GLOSSARY } from '@/ui/help/helpData';

export const metadata = { title: 'Guide' };
export const dynamic = 'force-dynamic';

const idOf = (title: string) =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');

/** The guide as HTML, each heading with a place to go to, and those places. */
function guide(): { html: string; places: { id: string; title: string }[] } {
  const file = path.join(/* turbopackIgnore: true */ process.cwd(), 'docs', 'guide.md');
  const text = readFileSync(file, 'utf8').replace(/^# .*\n/, '');
  const places = [...text.matchAll(/^## (.+)$/gm)].map(([, title]) => ({ id: idOf(title!), title: title! }));
  const html = (marked.parse(text, { async: false }) as string).replace(
    /<h2>(.*?)<\/h2>/g,
    (_, title: string) => `<h2 id="${idOf(title.replace(/<[^>]*>|&\w+;/g, ''))}">${title}</h2>`,
  );
  return { html, places };
}

/** The guide and the glossary, in the application. */
export default async function Page() {
  await pageContext();
  const { html, places } = guide();
  return (
    <Frame head={<h1>Guide</h1>}>
      <div className="guide">
        <nav aria-label="Places in the guide" className="small">
          {places.map(({ id, title }) => (
            <a key={id} href={`#${id}`}>
              {title}
            </a>
          ))}
          <a href="#glossary">Glossary</a>
        </nav>
        <div>
          <article dangerouslySetInnerHTML={{ __html: html }} />
          <h2 id="glossary">Glossary</h2>
          <dl>
            {Object.entries(GLOSSARY).map(([id, { term, means }]) => (
              <div key={id} id={`term-${id}`}>
                <dt>{term}</dt>
                <dd>{means}</dd>
              </div>
            ))}
          </dl>
        </div>
      </div>
    </Frame>
  );
}
