/** Help → all pages and the words of the trade, to be searched. */
import { useMemo } from 'react';
import MiniSearch from 'minisearch';
import { Link, useSearchParams } from 'react-router';
import { isWhole, type HelpText } from '../pages.ts';
import { Disclosure } from '../ui/Disclosure.tsx';
import { Input } from '../ui/Field.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { HELP_PAGES } from './help-pages.ts';
import { GLOSSARY, type GlossaryWord } from './words.ts';
import css from './help.module.css';

export function PageText({ help }: { help: HelpText }) {
  return (
    <>
      <p>{help.what}</p>
      <ul>
        {help.how.map((h) => (
          <li key={h}>{h}</li>
        ))}
      </ul>
      {help.why !== undefined && <p className="wt-soft">Why: {help.why}</p>}
    </>
  );
}

interface Entry {
  readonly id: string;
  readonly text: string;
  readonly name: string;
}

/** Names and texts by what is typed, with a slip or two. */
function useFound(find: string): ReadonlySet<string> | undefined {
  const index = useMemo(() => {
    const made = new MiniSearch<Entry>({
      fields: ['name', 'text'],
      searchOptions: { prefix: true, fuzzy: 0.2, boost: { name: 3 }, combineWith: 'AND' },
    });
    made.addAll([
      ...HELP_PAGES.map((p) => ({
        id: `page ${p.path}`,
        name: p.title,
        text: [p.help.what, ...p.help.how, p.help.why ?? ''].join(' '),
      })),
      ...GLOSSARY.map((g) => ({ id: `word ${g.word}`, name: [g.word, ...(g.also ?? [])].join(' '), text: g.says })),
    ]);
    return made;
  }, []);
  return find.trim() === '' ? undefined : new Set(index.search(find).map((r) => String(r.id)));
}

function Word({ of }: { of: GlossaryWord }) {
  return (
    <div>
      <dt id={`word-${of.word}`}>
        {of.word}
        {of.also && <span className="wt-soft"> ({of.also.join(', ')})</span>}
      </dt>
      <dd>
        {of.says} {of.to !== undefined && <Link to={of.to}>See it</Link>}
      </dd>
    </div>
  );
}

export function HelpRoom() {
  const [search, setSearch] = useSearchParams();
  const find = search.get('find') ?? '';
  const found = useFound(find);
  const pages = HELP_PAGES.filter((p) => !found || found.has(`page ${p.path}`));
  const words = GLOSSARY.filter((g) => !found || found.has(`word ${g.word}`));
  return (
    <>
      <div className="wt-title">
        <h1>Help</h1>
        <Input
          type="search"
          aria-label="Search help and words"
          placeholder="Search help and words"
          value={find}
          onChange={(e) => setSearch(e.target.value === '' ? {} : { find: e.target.value }, { replace: true })}
          className={css.helpFind}
        />
      </div>
      {pages.length + words.length === 0 && <p role="status">Nothing here speaks of “{find}”.</p>}
      <div className={css.help}>
        {pages.length > 0 && (
          <section aria-labelledby="help-rooms">
            <h2 id="help-rooms">Rooms</h2>
            {pages.map((p) => (
              <Sheet as="div">
                <Disclosure head={p.title} key={p.path} open={found !== undefined && pages.length < 4}>
                  <PageText help={p.help} />
                  {isWhole(p) && <Link to={p.path}>Go there</Link>}
                </Disclosure>
              </Sheet>
            ))}
          </section>
        )}
        {words.length > 0 && (
          <section aria-labelledby="help-words">
            <h2 id="help-words">Words of the trade</h2>
            <Sheet as="dl" className={css.words}>
              {words.map((g) => (
                <Word key={g.word} of={g} />
              ))}
            </Sheet>
          </section>
        )}
      </div>
    </>
  );
}
