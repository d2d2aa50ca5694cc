/** What a pair of wet hands may choose on this device: the side of the big keys, sound, a buzz. And a screen that stays awake. */
import { useEffect, useSyncExternalStore } from 'react';

export interface Comfort {
  readonly leftHanded: boolean;
  readonly sound: boolean;
  readonly buzz: boolean;
}
const KEY = 'wt-comfort';
const PLAIN: Comfort = { leftHanded: false, sound: false, buzz: true };

const listeners = new Set<() => void>();
let chosen: Comfort | undefined;
function comfort(): Comfort {
  if (chosen) return chosen;
  let kept: Partial<Comfort> = {};
  try {
    kept = JSON.parse(localStorage.getItem(KEY) ?? '{}');
  } catch {
    // Nothing kept, or nothing that can be read: as shipped.
  }
  chosen = {
    leftHanded: kept.leftHanded === true,
    sound: kept.sound === true,
    buzz: kept.buzz !== false,
  };
  return chosen;
}

export function choose(change: Partial<Comfort>): void {
  chosen = { ...comfort(), ...change };
  try {
    localStorage.setItem(KEY, JSON.stringify(chosen));
  } catch {
    // A locked store only means that it is asked again.
  }
  for (const listener of listeners) listener();
}

export const useComfort = (): Comfort =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    comfort,
    () => PLAIN,
  );

let audio: AudioContext | undefined;
/** A short tone and a buzz, as far as they are wanted and there are any. */
export function signal(kind: 'tap' | 'call'): void {
  const { sound, buzz } = comfort();
  // A page that nobody has touched yet may not buzz, and would say so on its console.
  const touched = !('userActivation' in navigator) || navigator.userActivation.hasBeenActive;
  if (buzz && touched && typeof navigator.vibrate === 'function')
    navigator.vibrate(kind === 'call' ? [120, 60, 120] : 25);
  if (!sound || typeof AudioContext === 'undefined') return;
  audio ??= new AudioContext();
  const tone = audio.createOscillator();
  const gain = audio.createGain();
  const now = audio.currentTime;
  tone.frequency.value = kind === 'call' ? 660 : 440;
  gain.gain.setValueAtTime(0.001, now);
  gain.gain.exponentialRampToValueAtTime(0.2, now + 0.02);
  gain.gain.exponentialRampToValueAtTime(0.001, now + (kind === 'call' ? 0.5 : 0.12));
  tone.connect(gain).connect(audio.destination);
  tone.start(now);
  tone.stop(now + 0.55);
}

/** Keeps the screen awake while a dog is worked, where the device can. */
export function useAwake(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let here = true;
    const ask = (): void => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock
        .request('screen')
        .then((held) => {
          if (here) lock = held;
          else void held.release();
        })
        // Refused, as on a low battery: the device's own rule stands.
        .catch(() => undefined);
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      here = false;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [wanted]);
}
