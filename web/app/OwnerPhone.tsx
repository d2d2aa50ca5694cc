/** Whose a dog is, with the number to tap. */
import { useDogs } from '../data/hooks.ts';
import { PhoneLink } from './PhoneLink.tsx';

export function OwnerPhone({ id }: { id: string }) {
  const dog = useDogs().data?.dogs.find((d) => d.id === id);
  if (!dog?.ownerName) return null;
  return (
    <span className="wt-soft">
      {dog.ownerName} <PhoneLink phone={dog.phone} />
    </span>
  );
}
