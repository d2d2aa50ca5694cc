/** What the stairs and the sheet are made of: the dog's page, the facts of its check's plan, and the house's currency. */
import type { ReactNode } from 'react';
import { useParams } from 'react-router';
import type { BenchPage } from '../../../contract/bench.ts';
import type { DogPage } from '../../../contract/dog.ts';
import { Loaded } from '../../app/state.tsx';
import { useBench, useDog, useSalon } from '../../data/hooks.ts';

export interface BenchFacts {
  readonly bench: BenchPage;
  readonly page: DogPage;
  readonly checkId: string;
  readonly currency: string;
}

/** Loads what the address names and hands it on. */
export function WithBench({ children }: { children: (facts: BenchFacts) => ReactNode }) {
  const { dogId = '', checkId = '' } = useParams();
  const bench = useBench(checkId);
  const dog = useDog(dogId);
  const salon = useSalon();
  const currency = salon.data?.salon.house.rates.currency ?? 'EUR';
  return (
    <Loaded query={dog}>
      {(page) => <Loaded query={bench}>{(b) => children({ bench: b, page, checkId, currency })}</Loaded>}
    </Loaded>
  );
}
