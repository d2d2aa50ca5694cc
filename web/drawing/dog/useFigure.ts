/**
 * Decides where the strokes of a dog come from: each figure is made once, at the desk and the table by a worker beside the page,
 * elsewhere by the page itself with code that is fetched when a dog is first drawn.
 */
import type { Aspect, DogLook } from './frame.ts';
import { startTransition, useEffect, useReducer } from 'react';
import type { DrawAsked, Drawn } from './figure.worker.ts';
import type { Figure } from './figure.ts';

type Drawer = (asked: DrawAsked) => Promise<Figure>;

const made = new Map<string, Figure>();
const underWay = new Map<string, Promise<Figure>>();

let drawer: Drawer = async ({ look, aspect }) => (await import('./figures.ts')).figureOf(look, aspect);

/** From now on dogs are drawn by a worker; by the page again where none may run. */
export function drawBeside(start: () => Worker): void {
  const here = drawer;
  const asked = new Map<string, { readonly question: DrawAsked; readonly drawn: (figure: Figure) => void }>();
  let worker: Worker | undefined;
  const begin = (): Worker => {
    const made = start();
    made.addEventListener('message', ({ data: { key, figure } }: MessageEvent<Drawn>) => {
      asked.get(key)?.drawn(figure);
      asked.delete(key);
    });
    made.addEventListener('error', () => {
      drawer = here;
      for (const { question, drawn } of asked.values()) void here(question).then(drawn);
      asked.clear();
    });
    return made;
  };
  drawer = (question) =>
    new Promise((drawn) => {
      asked.set(question.key, { question, drawn });
      worker ??= begin();
      worker.postMessage(question);
    });
}

/** The figure of a shape and coat in an aspect, undefined until it is drawn; the right side is the left one, to be mirrored. */
export function useFigure(look: DogLook, aspect: Aspect): Figure | undefined {
  const view = aspect === 'right' ? 'left' : aspect;
  const { shape, coatClass } = look;
  const key = `${shape} ${coatClass} ${view}`;
  const [, drawn] = useReducer((n: number) => n + 1, 0);
  useEffect(() => {
    if (made.has(key)) return;
    let here = true;
    let coming = underWay.get(key);
    if (!coming) {
      coming = drawer({ key, look: { shape, coatClass }, aspect: view });
      underWay.set(key, coming);
    }
    void coming.then((figure) => {
      made.set(key, figure);
      underWay.delete(key);
      if (here) startTransition(drawn);
    });
    return () => {
      here = false;
    };
  }, [key, shape, coatClass, view]);
  return made.get(key);
}
