/** Links to an owner's page: made, shown once as address and QR code, ended. */
import { useEffect, useState } from 'react';
import type { HomeDeskPage, HomeLinkMade } from '../../../contract/home.ts';
import { Refusal } from '../../app/state.tsx';
import { useEndLink, useMakeLink } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { dateText } from '../../words/dates.ts';
import { listText } from '../../words/figures.ts';
import css from './home-plan.module.css';

const addressOf = (token: string): string => `${location.origin}/o#${token}`;

function QrCode({ text, label }: { text: string; label: string }) {
  const [image, setImage] = useState<string>();
  useEffect(() => {
    let left = false;
    void import('qrcode')
      .then((qr) => qr.toDataURL(text, { margin: 2, scale: 5 }))
      .then((made) => !left && setImage(made));
    return () => {
      left = true;
    };
  }, [text]);
  return image ? <img className={css.qr} src={image} alt={label} width={180} height={180} /> : null;
}

function Made({ made, names }: { made: HomeLinkMade; names: string }) {
  const address = addressOf(made.token);
  return (
    <Notice tone="good" role="status">
      <p>The link for {names}. It is shown this once: send it, or let the owner’s phone read it now.</p>
      <QrCode text={address} label={`QR code of the link for ${names}`} />
      <p className={css.address}>
        <code>{address}</code>
      </p>
      <Button look="usual" onClick={() => void navigator.clipboard?.writeText(address).catch(() => undefined)}>
        Copy
      </Button>
      <p className="wt-soft mt-2">
        Whoever has it sees this home’s brushing, no address, no money, no other dog. End it when it is lost.
      </p>
    </Notice>
  );
}

export function HomeLinks({ page }: { page: HomeDeskPage }) {
  const make = useMakeLink();
  const end = useEndLink();
  const { household, links } = page;
  const names = new Map(household.map((d) => [d.id, d.name]));
  const said = (ids: readonly string[]): string => listText(ids.map((id) => names.get(id) ?? 'another dog'));
  const open = links.filter((l) => !l.ended);
  return (
    <Sheet aria-labelledby="links">
      <h2 id="links">The owner’s link</h2>
      {make.data && <Made made={make.data} names={said(make.data.dogIds)} />}
      <Refusal error={make.error ?? end.error} />
      {open.length === 0 && !make.data && <p>No link is open. The owner’s page opens with one, without an account.</p>}
      <ul className="wt-bare">
        {open.map((l) => (
          <li key={l.id} className={css.linkRow}>
            <span>
              {said(l.dogIds)}, made {dateText(l.created.slice(0, 10))}
            </span>
            <Button look="usual" size="sm" disabled={end.isPending} onClick={() => end.mutate(l.id)}>
              End it
            </Button>
          </li>
        ))}
      </ul>
      <div className="wt-acts">
        <Button disabled={make.isPending} onClick={() => make.mutate([page.dog.id])}>
          Make a link for {page.dog.name}
        </Button>
        {household.length > 1 && (
          <Button look="usual" disabled={make.isPending} onClick={() => make.mutate(household.map((d) => d.id))}>
            For {listText(household.map((d) => d.name))} together
          </Button>
        )}
      </div>
    </Sheet>
  );
}
