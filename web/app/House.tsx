/** What all rooms stand in, in a browser and where first pages are made. */
import { QueryClientProvider, type QueryClient } from '@tanstack/react-query';
import { StrictMode, useEffect, type ReactNode } from 'react';

interface Props {
  /** Answers that are known. */
  readonly mind: QueryClient;
  /** Called when it stands and takes presses. */
  readonly onStanding?: () => void;
  readonly children: ReactNode;
}

export function House({ mind, onStanding, children }: Props) {
  useEffect(() => onStanding?.(), [onStanding]);
  return (
    <StrictMode>
      <QueryClientProvider client={mind}>{children}</QueryClientProvider>
    </StrictMode>
  );
}
