/** SQL of practice: bouts and answers of each account, append-only. */
import type { AnswerDraft, BoutDraft, BoutRecord, PracticePage, PracticePeople } from '../../contract/practice.ts';
import type { Act } from '../../core/practice/index.ts';
import type { Day } from '../../core/quantity/index.ts';
import type { Db } from './open.ts';

interface BoutRow {
  readonly id: string;
  readonly case_id: string;
  readonly share: number;
  readonly made_ms: number;
}
interface WholeRow extends BoutRow {
  readonly account_id: string;
  readonly acts: string;
}

const SHOWN_BOUTS = 200;

/** Prepared statements over practice. */
export function practiceStore(db: Db) {
  const boutsOf = db.prepare<[string, number], BoutRow>(
    'SELECT id, case_id, share, made_ms FROM practice_bout WHERE account_id = ? ORDER BY made_ms DESC, id LIMIT ?',
  );
  const one = db.prepare<[string], WholeRow>('SELECT * FROM practice_bout WHERE id = ?');
  const addBout = db.prepare<[string, string, string, string, number, number]>(
    'INSERT INTO practice_bout (id, account_id, case_id, acts, share, made_ms) VALUES (?, ?, ?, ?, ?, ?)',
  );
  const answersOf = db.prepare<[string], { card: string; right: number; day: number }>(
    'SELECT card, right, day FROM drill_answer WHERE account_id = ? ORDER BY rowid',
  );
  const hasAnswer = db.prepare<[string], { account_id: string }>('SELECT account_id FROM drill_answer WHERE id = ?');
  const addAnswer = db.prepare<[string, string, string, number, string, number, number]>(
    'INSERT INTO drill_answer (id, account_id, card, seed, answer, right, day) VALUES (?, ?, ?, ?, ?, ?, ?)',
  );
  const bests = db.prepare<
    [],
    { id: string; name: string; case_id: string | null; best: number | null; bouts: number; last_ms: number | null }
  >(
    `SELECT a.id, a.name, b.case_id, max(b.share) AS best, count(b.id) AS bouts, max(b.made_ms) AS last_ms
     FROM account a LEFT JOIN practice_bout b ON b.account_id = a.id WHERE a.ended_ms IS NULL
     GROUP BY a.id, b.case_id ORDER BY a.name, b.case_id`,
  );
  const rights = db.prepare<[string], { n: number; good: number | null }>(
    'SELECT count(*) AS n, sum(right) AS good FROM drill_answer WHERE account_id = ?',
  );
  return {
    page: (accountId: string): Omit<PracticePage, 'today'> => ({
      bouts: boutsOf
        .all(accountId, SHOWN_BOUTS)
        .map((r) => ({ id: r.id, caseId: r.case_id, share: r.share, madeMs: r.made_ms })),
      answers: answersOf.all(accountId).map((r) => ({ card: r.card, right: r.right === 1, day: r.day })),
    }),
    /** A bout with its acts and whose it is. */
    bout: (id: string): (BoutRecord & { readonly accountId: string }) | undefined => {
      const r = one.get(id);
      if (!r) return undefined;
      const acts: readonly Act[] = JSON.parse(r.acts);
      return { id: r.id, caseId: r.case_id, share: r.share, madeMs: r.made_ms, acts, accountId: r.account_id };
    },
    addBout: (accountId: string, b: BoutDraft, madeMs: number): void => {
      addBout.run(b.id, accountId, b.caseId, JSON.stringify(b.acts), b.share, madeMs);
    },
    answeredBy: (id: string): string | undefined => hasAnswer.get(id)?.account_id,
    addAnswer: (accountId: string, a: AnswerDraft, right: boolean, today: Day): void => {
      addAnswer.run(a.id, accountId, a.card, a.seed, a.answer, right ? 1 : 0, today);
    },
    /** How far everybody is who may sign in. */
    people: (): PracticePeople['people'] => {
      const people = new Map<
        string,
        { name: string; best: Record<string, number>; bouts: number; lastMs: number | null }
      >();
      for (const r of bests.all()) {
        const own = people.get(r.id) ?? { name: r.name, best: {}, bouts: 0, lastMs: null };
        if (r.case_id !== null && r.best !== null) own.best[r.case_id] = r.best;
        own.bouts += r.bouts;
        if (r.last_ms !== null) own.lastMs = Math.max(own.lastMs ?? 0, r.last_ms);
        people.set(r.id, own);
      }
      return [...people].map(([id, own]) => {
        const { n, good } = rights.get(id) ?? { n: 0, good: 0 };
        return { ...own, answers: n, rightAnswers: good ?? 0 };
      });
    },
  };
}
