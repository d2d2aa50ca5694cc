/** Photos of the check being felt: of the zone in hand or the whole dog, kept on this device until the check is saved. */
import { X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { MOST_PHOTOS } from '../../../contract/photo.ts';
import { zoneName, type ZoneId } from '../../../core/dog/index.ts';
import { TakePhoto } from '../../app/TakePhoto.tsx';
import { newId } from '../../data/client.ts';
import { dropPhoto, keepPhoto, pendingPhotos, smallPhoto, type PendingPhoto } from '../../data/photos.ts';
import { Notice } from '../../ui/Notice.tsx';
import { capital } from '../../words/figures.ts';
import css from './check.module.css';

interface Shown extends PendingPhoto {
  readonly url: string;
}
const shown = (photo: PendingPhoto): Shown => ({ ...photo, url: URL.createObjectURL(photo.jpeg) });

export function Photos({ checkId, zone }: { checkId: string; zone: ZoneId }) {
  const [photos, setPhotos] = useState<readonly Shown[]>([]);
  const [fault, setFault] = useState('');
  useEffect(() => {
    let here = true;
    void pendingPhotos(checkId).then((list) => {
      if (here) setPhotos(list.map(shown));
    });
    return () => {
      here = false;
    };
  }, [checkId]);
  const take = async (file: File, of: ZoneId | null): Promise<void> => {
    setFault('');
    try {
      const photo = { id: newId(), checkId, zone: of, jpeg: await smallPhoto(file) };
      await keepPhoto(photo);
      setPhotos((now) => [...now, shown(photo)]);
    } catch (problem) {
      setFault(problem instanceof Error ? problem.message : 'The photo could not be kept on this device.');
    }
  };
  const full = photos.length >= MOST_PHOTOS;
  return (
    <div className={css.taking}>
      <div className="wt-acts">
        <TakePhoto small label={`Photo: ${zoneName(zone)}`} disabled={full} onFile={(f) => void take(f, zone)} />
        <TakePhoto small label="Photo: whole dog" disabled={full} onFile={(f) => void take(f, null)} />
      </div>
      {fault && (
        <Notice tone="stop" role="alert">
          {fault}
        </Notice>
      )}
      {photos.length > 0 && (
        <ul className="wt-bare wt-photos" aria-label="Photos of this check">
          {photos.map((p) => {
            const of = p.zone ? capital(zoneName(p.zone)) : 'Whole dog';
            return (
              <li key={p.id}>
                <img src={p.url} alt={of} />
                <button
                  type="button"
                  aria-label={`Remove the photo: ${of}`}
                  onClick={() => {
                    void dropPhoto(p.id);
                    URL.revokeObjectURL(p.url);
                    setPhotos((now) => now.filter((q) => q.id !== p.id));
                  }}
                >
                  <X aria-hidden size={16} />
                </button>
              </li>
            );
          })}
        </ul>
      )}
    </div>
  );
}
