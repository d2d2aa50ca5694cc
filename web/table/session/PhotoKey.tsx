/** A photo before or after: kept on this device beside its session, and said in the log. */
import { useState } from 'react';
import type { SessionAct } from '../../../core/table/index.ts';
import { TakePhoto } from '../../app/TakePhoto.tsx';
import { newId } from '../../data/client.ts';
import { keepPhoto, sendPhotos, smallPhoto } from '../../data/photos.ts';
import { Notice } from '../../ui/Notice.tsx';
import type { Table } from './useTable.ts';

type When = 'before' | 'after';

/** Keeps a photo of the whole dog and sends it as soon as there is a link. Throws a sentence where it cannot. */
async function keptPhoto(file: File, checkId: string, when: When): Promise<SessionAct> {
  const id = newId();
  await keepPhoto({ id, checkId, zone: null, jpeg: await smallPhoto(file) });
  void sendPhotos();
  return { kind: 'photo', photo: id, when, zone: null };
}

export function PhotoKey({ table, when }: { table: Table; when: When }) {
  const { record, page, tell } = table;
  const [fault, setFault] = useState('');
  const taken = record.photos.filter((p) => p.when === when).length;
  return (
    <>
      <div className="wt-acts">
        <TakePhoto
          label={taken > 0 ? `${taken} ${when}, one more` : `Photo ${when}`}
          onFile={(file) => {
            setFault('');
            keptPhoto(file, page.checkId, when)
              .then((act) => tell(act))
              .catch((p: unknown) => setFault(p instanceof Error ? p.message : String(p)));
          }}
        />
      </div>
      {fault && (
        <Notice tone="stop" role="alert">
          {fault}
        </Notice>
      )}
    </>
  );
}
