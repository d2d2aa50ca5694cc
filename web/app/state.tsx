/** Empty, waiting and failed states, said the same way everywhere. */
import type { UseQueryResult } from '@tanstack/react-query';
import { startTransition, useEffect, useState, type ReactNode } from 'react';
import { Button } from '../ui/Button.tsx';
import { Notice } from '../ui/Notice.tsx';
import { Skeleton } from '../ui/Skeleton.tsx';

export const Waiting = () => <Skeleton />;

interface LoadedProps<T> {
  readonly query: UseQueryResult<T>;
  readonly children: (value: T) => ReactNode;
  /** What stands until the value comes. */
  readonly instead?: ReactNode;
}

/** Shows a query's value, or that it is coming, or why it is not. */
export function Loaded<T>({ query, children, instead = <Waiting /> }: LoadedProps<T>) {
  const come = query.data !== undefined;
  const [shown, setShown] = useState(come);
  // A room that was waited for is drawn in slices, so that nothing else waits for it.
  useEffect(() => {
    if (come && !shown) startTransition(() => setShown(true));
  }, [come, shown]);
  if (shown && query.data !== undefined) return <>{children(query.data)}</>;
  return <NotYet queries={[query]} instead={instead} />;
}

/** What stands for queries of which one has not come: why it is not, or that it is coming. */
export function NotYet({
  queries,
  instead = <Waiting />,
}: {
  queries: readonly Pick<UseQueryResult, 'isError' | 'error' | 'refetch'>[];
  instead?: ReactNode;
}) {
  const failed = queries.find((q) => q.isError);
  if (!failed) return instead;
  return (
    <Notice tone="stop" role="alert">
      <p>{failed.error?.message}</p>
      <Button look="usual" onClick={() => void failed.refetch()}>
        Try again
      </Button>
    </Notice>
  );
}

/** The sentence of a failed write, next to the act. */
export function Refusal({ error }: { error: Error | null }) {
  return error ? (
    <Notice tone="stop" role="alert">
      {error.message}
    </Notice>
  ) : null;
}
