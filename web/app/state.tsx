/** Empty, waiting and failed states, said the same way everywhere. */
import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';

/** Shows a query's value, or that it is coming, or why it is not. */
export function Loaded<T>({ query, children }: { query: UseQueryResult<T>; children: (value: T) => ReactNode }) {
  if (query.data !== undefined) return <>{children(query.data)}</>;
  if (query.isError) {
    return (
      <div className="wt-note wt-note-stop" role="alert">
        <p>{query.error.message}</p>
        <Button variant="outline-primary" onClick={() => void query.refetch()}>
          Try again
        </Button>
      </div>
    );
  }
  return (
    <p className="wt-waiting" role="status">
      One moment …
    </p>
  );
}

/** The sentence of a failed write, next to the act. */
export function Refusal({ error }: { error: Error | null }) {
  return error ? (
    <p className="wt-note wt-note-stop" role="alert">
      {error.message}
    </p>
  ) : null;
}
