/**
 * Finds anything from one box: rooms and acts, dogs and owners, rules, tools, words, help, days. A combobox with a list below
 * it: arrows walk, Enter goes, Escape leaves.
 */
import MiniSearch from 'minisearch';
import { useEffect, useId, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { useNavigate } from 'react-router';
import type { DogListItem } from '../../contract/dog.ts';
import { METHODS } from '../../core/bench/index.ts';
import { RULES, toolRow } from '../../core/kit/index.ts';
import { day, formatDay, type Day } from '../../core/quantity/index.ts';
import { recentRooms } from '../app/recent.ts';
import { view } from '../app/view.ts';
import { useDogs, useFoundDogs, useKit } from '../data/hooks.ts';
import { useWho } from '../door/me.ts';
import { HELP_PAGES } from '../help/help-pages.ts';
import { GLOSSARY } from '../help/words.ts';
import { isWhole, labelOf, pagesFor, type Page } from '../pages.ts';
import { Dialog } from '../ui/Dialog.tsx';
import { longDay, minuteText, shortDay } from '../words/dates.ts';
import { capital } from '../words/figures.ts';
import { dayTyped } from './dates.ts';
import { answersTo } from './questions.ts';
import css from './find.module.css';

interface Found {
  readonly id: string;
  readonly kind: 'Asked' | 'Lately' | 'Day' | 'Dog' | 'Room' | 'Rule' | 'Tool' | 'Way' | 'Word' | 'Help';
  readonly name: string;
  readonly says: string;
  readonly to: string;
  /** Further words by which it is found. */
  readonly also: string;
}

/** Of equal hits, what people look for most. */
const WEIGHT: Readonly<Record<Found['kind'], number>> = {
  Asked: 6,
  Lately: 1,
  Day: 5,
  Dog: 3,
  Room: 2.5,
  Tool: 1.3,
  Rule: 1,
  Way: 1.2,
  Word: 1.2,
  Help: 0.8,
};
const MOST = 12;

/** All that never changes while the house is open. */
const STEADY: readonly Found[] = [
  ...RULES.map((r): Found => ({
    id: `rule ${r.id}`,
    kind: 'Rule',
    name: r.statement,
    says: r.reason,
    to: `/desk/rules?rule=${r.id}`,
    also: '',
  })),
  ...METHODS.map((m): Found => ({
    id: `way ${m.id}`,
    kind: 'Way',
    name: m.name,
    says: m.case,
    to: `/desk/help?find=${encodeURIComponent(m.name)}`,
    also: 'method school',
  })),
  ...GLOSSARY.map((g): Found => ({
    id: `word ${g.word}`,
    kind: 'Word',
    name: g.word,
    says: g.says,
    to: `/desk/help?find=${encodeURIComponent(g.word)}`,
    also: (g.also ?? []).join(' '),
  })),
  ...HELP_PAGES.map(({ path, title, help }): Found => ({
    id: `help ${path}`,
    kind: 'Help',
    name: title,
    says: help.what,
    to: `/desk/help?find=${encodeURIComponent(title)}`,
    also: help.how.join(' '),
  })),
];

/** A page and its views, as they are found. */
const foundOf = (page: Page): readonly Found[] =>
  [{ to: page.path, name: labelOf(page), also: page.find ?? '' }]
    .concat((page.views ?? []).map((v) => ({ to: `${page.path}?${v.search}`, name: v.title, also: v.find })))
    .map((r): Found => ({ ...r, id: `room ${r.to}`, kind: 'Room', says: '' }));

/** Answers to a question, as they are found. */
const askedFor = (text: string, today: Day, dogs: readonly DogListItem[]): readonly Found[] =>
  answersTo(text, {
    dogs,
    today,
    dayFirst: view().dates !== 'en-US',
    dayText: shortDay,
    timeText: minuteText,
  }).map((a): Found => ({ ...a, id: `asked ${a.to}`, kind: 'Asked', also: '' }));

const dogFound = (d: DogListItem): Found => ({
  id: `dog ${d.id}`,
  kind: 'Dog',
  name: d.name,
  says: [d.breed, d.ownerName].filter((t) => t !== '').join(', '),
  to: `/desk/dogs/${d.id}`,
  also: d.ownerName,
});

function useFinds(text: string): readonly Found[] {
  const { role, id: accountId } = useWho();
  const dogs = useDogs();
  const resting = useFoundDogs(text.trim());
  const kit = useKit();
  const index = useMemo(() => {
    const made = new MiniSearch<Found>({
      fields: ['name', 'also', 'says'],
      storeFields: ['id', 'kind', 'name', 'says', 'to', 'also'],
      searchOptions: {
        prefix: true,
        fuzzy: (term) => (term.length > 4 ? 0.2 : false),
        combineWith: 'AND',
        boost: { name: 4, also: 2 },
        boostDocument: (_id, _term, stored) => {
          const kind = Object.keys(WEIGHT).find((k): k is Found['kind'] => k === stored?.['kind']);
          return kind ? WEIGHT[kind] : 1;
        },
      },
    });
    made.addAll(STEADY);
    made.addAll(pagesFor(role).filter(isWhole).flatMap(foundOf));
    made.addAll((dogs.data?.dogs ?? []).map(dogFound));
    made.addAll(
      (kit.data?.tools ?? [])
        .filter((t) => t.homeOf === null)
        .map((t): Found => ({
          id: `tool ${t.id}`,
          kind: 'Tool',
          name: t.name,
          says: capital(toolRow(t.kind).name),
          to: `/desk/kit/${t.id}`,
          also: toolRow(t.kind).name,
        })),
    );
    return made;
  }, [role, dogs.data, kit.data]);
  const wanted = text.trim();
  if (wanted === '')
    return recentRooms(accountId).map((r): Found => ({
      id: `late ${r.to}`,
      kind: 'Lately',
      name: r.name,
      says: '',
      to: r.to,
      also: '',
    }));
  const today: Day | undefined = dogs.data && day(dogs.data.today);
  const on = today === undefined ? undefined : dayTyped(wanted, today, view().dates !== 'en-US');
  const hits = index.search(wanted).flatMap((r): Found[] => {
    const { kind, name, says, to, also } = r;
    const of = Object.keys(WEIGHT).find((k): k is Found['kind'] => k === kind);
    return of
      ? [{ id: String(r.id), kind: of, name: String(name), says: String(says), to: String(to), also: String(also) }]
      : [];
  });
  const more = (resting.data?.dogs ?? []).filter((d) => !hits.some((h) => h.id === `dog ${d.id}`)).map(dogFound);
  const days =
    on === undefined
      ? []
      : [
          {
            id: `day ${on}`,
            kind: 'Day',
            name: longDay(on),
            says: 'The day’s sheet',
            to: `/desk/calendar/day?day=${formatDay(on)}`,
            also: '',
          } satisfies Found,
        ];
  const answers = today === undefined ? [] : askedFor(wanted, today, dogs.data?.dogs ?? []);
  return [...answers, ...days, ...hits.slice(0, MOST), ...more.slice(0, 4)].slice(0, MOST);
}

export default function Finder({ onClose }: { onClose: () => void }) {
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const navigate = useNavigate();
  const list = useId();
  const box = useRef<HTMLInputElement>(null);
  const found = useFinds(text);
  const chosen = Math.min(at, Math.max(0, found.length - 1));
  useEffect(() => box.current?.focus(), []);
  const go = (f: Found | undefined): void => {
    if (!f) return;
    onClose();
    void navigate(f.to);
  };
  const onKey = (e: KeyboardEvent): void => {
    const move = { ArrowDown: 1, ArrowUp: -1 }[e.key];
    if (move !== undefined && found.length > 0) {
      e.preventDefault();
      setAt((chosen + move + found.length) % found.length);
    } else if (e.key === 'Enter') {
      e.preventDefault();
      go(found[chosen]);
    }
  };
  return (
    <Dialog title="Find anything" bare onClose={onClose} className={css.finder}>
      <input
        ref={box}
        className="form-control"
        role="combobox"
        aria-label="Find anything"
        aria-expanded={found.length > 0}
        aria-controls={list}
        aria-activedescendant={found[chosen] ? `${list}-${chosen}` : undefined}
        aria-autocomplete="list"
        placeholder="A dog, a room, a day, a question, or: book Bollard friday 2 pm"
        value={text}
        autoComplete="off"
        spellCheck={false}
        onChange={(e) => {
          setText(e.target.value);
          setAt(0);
        }}
        onKeyDown={onKey}
      />
      <ul id={list} role="listbox" aria-label="Found">
        {found.map((f, i) => (
          <li
            key={f.id}
            id={`${list}-${i}`}
            role="option"
            aria-selected={i === chosen}
            onClick={() => go(f)}
            onMouseMove={() => setAt(i)}
          >
            <span className={css.finderKind}>{f.kind}</span>
            <span>
              {f.name}
              {f.says !== '' && <span className="wt-soft"> {f.says}</span>}
            </span>
          </li>
        ))}
      </ul>
      <p role="status" className="wt-soft">
        {text.trim() === ''
          ? found.length > 0
            ? ''
            : 'Type a letter or two.'
          : found.length === 0
            ? `Nothing is called “${text}”.`
            : ''}
      </p>
    </Dialog>
  );
}
