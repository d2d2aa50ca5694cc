/** Every key that does something, by where it does. */
import { Link } from 'react-router';
import { useView } from '../app/useView.ts';
import { Dialog } from '../ui/Dialog.tsx';
import css from './find.module.css';

const KEYS: readonly (readonly [where: string, keys: readonly (readonly [keys: string, does: string])[]])[] = [
  [
    'Everywhere',
    [
      ['/ or Ctrl K', 'Find anything'],
      ['?', 'These keys'],
      ['H', 'Help on this room'],
      ['Escape', 'Close what lies on top'],
    ],
  ],
  [
    'On a dog’s map',
    [
      ['Arrows', 'To the next zone, in working order'],
      ['Enter or Space', 'Choose the zone, or draw what is in hand'],
      ['Shift arrows', 'Draw along'],
    ],
  ],
  [
    'Coat check',
    [
      ['M', 'To the map'],
      ['F T C K S', 'On the map: finger, tug, comb, tie, skin in hand'],
      ['0 to 4', 'On the map: its grade, for this zone'],
      ['Ctrl Enter', 'Save and plan'],
    ],
  ],
  [
    'On stairs and in the book',
    [
      ['Space', 'Pick a step or a visit up, and put it down'],
      ['Arrows', 'Carry what is picked up'],
      ['+ and −', 'A minute more or less for a step'],
      ['Delete', 'Drop a step'],
      ['Ctrl Z, Ctrl Y', 'Undo, redo'],
    ],
  ],
  [
    'Asked again',
    [
      ['1 to 9', 'Answer'],
      ['Enter', 'Next'],
    ],
  ],
];

export default function Shortcuts({ onClose }: { onClose: () => void }) {
  const { singleKeys } = useView();
  return (
    <Dialog title="Keys" onClose={onClose} className={css.finder}>
      {KEYS.map(([where, keys]) => (
        <section key={where}>
          <h3>{where}</h3>
          <dl className={css.keylist}>
            {keys.map(([key, does]) => (
              <div key={key}>
                <dt>
                  <kbd>{key}</kbd>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
      <p className="wt-soft">
        {singleKeys ? 'Single letters can be switched off' : 'Single letters are switched off; Ctrl K still finds'}{' '}
        under{' '}
        <Link to="/desk/you" onClick={onClose}>
          Your settings
        </Link>
        .
      </p>
    </Dialog>
  );
}
