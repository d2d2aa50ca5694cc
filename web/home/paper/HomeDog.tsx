/** The small dog with some of its parts lit. */
import { isZoneId, ZONES, type ZoneId } from '../../../core/dog/index.ts';
import { partOf, type HomePart } from '../../../core/home/index.ts';
import type { OwnerDog } from '../../../contract/home.ts';
import { CoatMap, type ZoneLook } from '../../drawing/CoatMap.tsx';
import css from './paper.module.css';

interface Props {
  readonly dog: Pick<OwnerDog, 'closed' | 'shape' | 'coatClass'>;
  readonly lit: readonly HomePart[];
  readonly label: string;
}

export function HomeDog({ dog, lit, label }: Props) {
  const closed = new Set(dog.closed);
  const looks: Partial<Record<ZoneId, ZoneLook>> = {};
  for (const { id, region } of ZONES) {
    const part = partOf(region);
    if (!isZoneId(id)) continue;
    looks[id] = { lit: lit.includes(part), stopped: closed.has(part), says: '' };
  }
  return (
    <div className={css.homedog}>
      <CoatMap aspect="left" dog={{ shape: dog.shape, coatClass: dog.coatClass }} looks={looks} label={label} small />
    </div>
  );
}
