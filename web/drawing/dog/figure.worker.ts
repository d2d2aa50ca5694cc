/** Draws dogs beside the page: computing the strokes of one would keep hands waiting. */
import type { Aspect, DogLook } from './frame.ts';
import type { Figure } from './figure.ts';
import { figureOf } from './figures.ts';

export interface DrawAsked {
  readonly key: string;
  readonly look: DogLook;
  readonly aspect: Aspect;
}
export interface Drawn {
  readonly key: string;
  readonly figure: Figure;
}

self.addEventListener('message', ({ data: { key, look, aspect } }: MessageEvent<DrawAsked>) => {
  const drawn: Drawn = { key, figure: figureOf(look, aspect) };
  self.postMessage(drawn);
});
