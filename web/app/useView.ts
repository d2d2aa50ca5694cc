/** How things are shown on this device, for components. */
import { useSyncExternalStore } from 'react';
import { onView, view, type View } from './view.ts';

export const useView = (): View => useSyncExternalStore(onView, view, view);
