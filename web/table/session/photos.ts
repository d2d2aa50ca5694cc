/** Before and after: a photo is kept on this device beside its session, and said in the log. */
import { newId } from '../../data/client.ts';
import { keepPhoto, sendPhotos, smallPhoto } from '../../data/photos.ts';
import type { SessionAct } from '../../../core/table/index.ts';

/** Keeps a photo of the whole dog for a check and sends it as soon as there is a link. Throws a sentence where it cannot. */
export async function keepSessionPhoto(file: File, checkId: string, when: 'before' | 'after'): Promise<SessionAct> {
  const id = newId();
  await keepPhoto({ id, checkId, zone: null, jpeg: await smallPhoto(file) });
  void sendPhotos();
  return { kind: 'photo', photo: id, when, zone: null };
}
