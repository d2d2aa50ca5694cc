/** Temperatures of the town: read in from a file, or asked of the station. */
import { useState } from 'react';
import { Loaded, Refusal } from '../../app/state.tsx';
import { useAskStation, useForgetWeather, useReadWeather, useWeather } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Field, Input } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { dateText } from '../../words/dates.ts';

export function Weather() {
  const query = useWeather();
  const read = useReadWeather();
  const station = useAskStation();
  const forget = useForgetWeather();
  const [name, setName] = useState('');
  const busy = read.isPending || station.isPending || forget.isPending;
  return (
    <Sheet aria-labelledby="weather">
      <h2 id="weather">Weather</h2>
      <p>Warm weeks before a season bring it on. How much they do here is learnt from the salon’s dogs.</p>
      <Loaded query={query}>
        {(w) => (
          <p role="status">
            {w.first && w.last
              ? `${w.own} own and ${w.station} station readings, ${dateText(w.first)} to ${dateText(w.last)}.`
              : 'No temperatures on record: forecasts go without them.'}
          </p>
        )}
      </Loaded>
      <Field label="A file with a date and the day’s mean in °C a line (CSV)" id="weather-file">
        <Input
          type="file"
          accept=".csv,text/csv,text/plain"
          disabled={busy}
          onChange={(e) => {
            const input = e.target instanceof HTMLInputElement ? e.target : undefined;
            const file = input?.files?.[0];
            if (!file) return;
            setName(file.name);
            void file.text().then((csv) => read.mutate(csv));
          }}
        />
      </Field>
      {read.isSuccess && <p role="status">{name} is read in.</p>}
      <div className="wt-acts mt-2">
        <Button look="usual" disabled={busy} onClick={() => station.mutate()}>
          Ask the weather station
        </Button>
        <Button look="usual" disabled={busy} onClick={() => forget.mutate()}>
          Forget all temperatures
        </Button>
      </div>
      <Refusal error={read.error ?? station.error ?? forget.error} />
    </Sheet>
  );
}
