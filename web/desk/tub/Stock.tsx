/** What is left of each product: today's mix taken from it, a bottle put to it, or the shelf counted. */
import { useState } from 'react';
import type { ProductMoveDraft, ProductsPage } from '../../../contract/product.ts';
import { day, formatDay } from '../../../core/quantity/index.ts';
import type { StockKind } from '../../../core/water/index.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { typedMl, volume, type Label } from '../../app/tub.ts';
import { newId } from '../../data/client.ts';
import { useMoveProduct, useProducts, useUndoMove } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Field, Input } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { NumberInput } from '../../ui/form/NumberInput.tsx';
import css from './tub.module.css';

const KIND_WORDS: Readonly<Record<StockKind, string>> = { bought: 'bought', mixed: 'mixed', counted: 'counted' };

interface Props {
  readonly label: Label;
  readonly onLabel: (label: Label) => void;
  readonly today: number;
  /** Concentrate that today's dogs take, mL. */
  readonly todayMl: number;
}

/** What should be left of a product, and for how long. */
function Left({ own, unit, todayMl }: Pick<Props, 'todayMl'> & Pick<Label, 'unit'> & { own: Stock | undefined }) {
  if (!own)
    return <p className="wt-soft">Nothing is written down of this product yet. Count what stands on the shelf.</p>;
  return (
    <p role="status">
      <strong>{volume(Math.max(0, own.leftMl), unit)}</strong> should be left
      {own.lastsDays !== undefined &&
        `, for ${own.lastsDays} ${own.lastsDays === 1 ? 'day' : 'days'} at this pace`}.{' '}
      <span className="wt-soft">{volume(own.mixedMl, unit)} mixed in four weeks.</span>
      {own.leftMl < todayMl && <strong> Not enough for today.</strong>}
    </p>
  );
}
type Stock = ProductsPage['stock'][number];

function Shelf({ page, label, onLabel, today, todayMl }: Props & { page: ProductsPage }) {
  const move = useMoveProduct();
  const undo = useUndoMove();
  const [typed, setTyped] = useState<number>();
  const product = label.product.trim();
  const own = page.stock.find((s) => s.product === product);
  const last = page.moves[0];
  const ml = typedMl(typed ?? NaN, label.unit);
  const write = (kind: StockKind, amount: number): void => {
    const draft: ProductMoveDraft = { id: newId(), product, day: formatDay(day(today)), kind, ml: amount };
    move.mutate(draft, { onSuccess: () => setTyped(undefined) });
  };
  const canWrite = product !== '' && ml >= 0 && ml <= 200_000 && !move.isPending;
  return (
    <>
      <Field label="Product" id="product" className={css.dilution}>
        <Input
          value={label.product}
          maxLength={60}
          list="products"
          onChange={(e) => onLabel({ ...label, product: e.target.value })}
        />
        <datalist id="products">
          {page.stock.map((s) => (
            <option key={s.product} value={s.product} />
          ))}
        </datalist>
      </Field>
      <Left own={own} unit={label.unit} todayMl={todayMl} />
      <div className="wt-acts">
        <Button
          look="usual"
          disabled={product === '' || todayMl <= 0 || move.isPending}
          onClick={() => write('mixed', Math.round(todayMl))}
        >
          Mixed for today: {volume(todayMl, label.unit)}
        </Button>
        <NumberInput
          className="wt-short"
          digits={1}
          label={label.unit === 'ml' ? 'Amount, ml' : 'Amount, fl oz'}
          placeholder={label.unit === 'ml' ? 'ml' : 'fl oz'}
          value={typed}
          onChange={setTyped}
        />
        <Button look="usual" disabled={!canWrite} onClick={() => write('bought', ml)}>
          Bought
        </Button>
        <Button look="usual" disabled={!canWrite} onClick={() => write('counted', ml)}>
          Counted on the shelf
        </Button>
      </div>
      <Refusal error={move.error ?? undo.error} />
      {last && (
        <p className="wt-soft">
          Last: {last.product}, {volume(last.ml, label.unit)} {KIND_WORDS[last.kind]}.{' '}
          <Button look="plain" className="p-0" onClick={() => undo.mutate(last.id)}>
            Take it back
          </Button>
        </p>
      )}
    </>
  );
}

export function StockSheet(props: Props) {
  const products = useProducts();
  return (
    <Sheet aria-labelledby="stock">
      <h2 id="stock">Product left</h2>
      <Loaded query={products}>{(page) => <Shelf page={page} {...props} />}</Loaded>
    </Sheet>
  );
}
