/** Does something on a device that keeps given values, for code that asks a device how it shows things. */
import { forgetView } from '../web/app/view.ts';

/** The device is as before afterwards, also where `act` throws. */
export function onDevice<T>(kept: Readonly<Record<string, string>>, act: () => T): T {
  const before = Object.getOwnPropertyDescriptor(globalThis, 'localStorage');
  const store = { getItem: (name: string) => kept[name] ?? null };
  Object.defineProperty(globalThis, 'localStorage', { value: store, configurable: true });
  forgetView();
  try {
    return act();
  } finally {
    if (before) Object.defineProperty(globalThis, 'localStorage', before);
    else Reflect.deleteProperty(globalThis, 'localStorage');
    forgetView();
  }
}

/** The same, shown by a view that the device keeps. */
export const shownBy = <T>(view: object, act: () => T): T =>
  onDevice({ 'woolly-tide.view': JSON.stringify(view) }, act);
