/** Photos kept with a check. One can be removed, and put back while this room is open. */
import { X } from 'lucide-react';
import { useState } from 'react';
import type { PhotoRecord } from '../../../contract/photo.ts';
import { zoneName } from '../../../core/dog/index.ts';
import { Refusal } from '../../app/state.tsx';
import { photoUrl, usePhotos, useRemovePhoto } from '../../data/hooks.ts';
import { sendPhoto, type PendingPhoto } from '../../data/photos.ts';
import { Button } from '../../ui/Button.tsx';
import { capital } from '../../words/figures.ts';

const nameOf = (p: PhotoRecord): string => (p.zone ? capital(zoneName(p.zone)) : 'Whole dog');

export function PhotoStrip({ checkId }: { checkId: string }) {
  const photos = usePhotos(checkId);
  const remove = useRemovePhoto();
  const [removed, setRemoved] = useState<PendingPhoto | undefined>();
  const list = photos.data?.photos ?? [];
  const take = async (p: PhotoRecord): Promise<void> => {
    const jpeg = await (await fetch(photoUrl(p.id))).blob();
    await remove.mutateAsync(p.id);
    setRemoved({ id: p.id, checkId, zone: p.zone, jpeg });
  };
  const putBack = async (): Promise<void> => {
    if (removed && (await sendPhoto(removed))) setRemoved(undefined);
  };
  if (list.length === 0 && !removed) return null;
  return (
    <>
      <ul className="wt-bare wt-photos" aria-label="Photos of this check">
        {list.map((p) => (
          <li key={p.id}>
            <a href={photoUrl(p.id)} target="_blank" rel="noreferrer">
              <img src={photoUrl(p.id)} alt={nameOf(p)} loading="lazy" />
            </a>
            <button type="button" aria-label={`Remove the photo: ${nameOf(p)}`} onClick={() => void take(p)}>
              <X aria-hidden size={16} />
            </button>
          </li>
        ))}
      </ul>
      <Refusal error={remove.error} />
      {removed && (
        <p role="status">
          A photo was removed.{' '}
          <Button look="plain" className="p-0 align-baseline" onClick={() => void putBack()}>
            Put it back
          </Button>
        </p>
      )}
    </>
  );
}
