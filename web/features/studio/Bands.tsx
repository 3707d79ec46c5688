import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ArrowDown, ArrowUp, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { unitOf } from '../../lib/units';
import { AmountInput } from '../../ui/AmountInput';
import { Button } from '../../ui/Button';
import { fieldError } from '../../lib/fieldError';
import { useLibrary } from '../../parts/board/useBoard';

type Band = Schemas['Band'];

const fresh: Band = { name: '', colour: '#8a8f98' };

function withPull(band: Band, pull: number | undefined): Band {
  return { name: band.name, colour: band.colour, ...(pull === undefined ? {} : { pull_kg: pull }) };
}

/** The bands that hang in the studio, lightest first: what is offered in the log, and what is heavier than what. */
export function Bands({ bands }: { bands: Band[] }) {
  const [list, setList] = useState(bands);
  const library = useLibrary();
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () => answer(api.POST('/bands', { body: { bands: list } })),
    onSuccess: async (me) => {
      queries.setQueryData(['me'], me);
      setList(me.bands);
      await queries.invalidateQueries();
    },
  });
  function put(i: number, part: Partial<Band>) {
    setList(list.map((band, k) => (k === i ? { ...band, ...part } : band)));
  }
  function move(i: number, by: 1 | -1) {
    const moved = [...list];
    const [band] = moved.splice(i, 1);
    if (band !== undefined) moved.splice(i + by, 0, band);
    setList(moved);
  }
  return (
    <form
      aria-label="Bands"
      className="space-y-3 rounded-lg border border-line bg-card p-4"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <h2 className="text-lg font-bold">Bands, lightest first</h2>
      <p className="text-faint">
        Every maker has an order of colours of its own: write down yours. The pull is what a scale shows at the length
        you use; leave it out where nobody measured it.
      </p>
      <ol className="space-y-2">
        {list.map((band, i) => (
          <li key={i}>
            <div className="flex flex-wrap items-center gap-1">
              <input
                type="color"
                aria-label={`Colour of band ${i + 1}`}
                className="h-10 w-10 rounded border border-wood bg-card p-1"
                value={band.colour}
                onChange={(event) => {
                  put(i, { colour: event.target.value });
                }}
              />
              <input
                aria-label={`Name of band ${i + 1}`}
                className="w-28 rounded-md border border-wood bg-card px-2 py-1.5"
                required
                maxLength={40}
                value={band.name}
                aria-invalid={fieldError(save.error, `/bands/${i}/name`) !== undefined}
                onChange={(event) => {
                  put(i, { name: event.target.value });
                }}
              />
              <label className="flex items-center gap-1 text-faint">
                pulls ({unitOf('kg')})
                <AmountInput
                  unit="kg"
                  aria-label={`Pull of band ${i + 1}`}
                  className="w-16"
                  most={200}
                  value={band.pull_kg}
                  onChange={(pull) => {
                    setList(list.map((each, k) => (k === i ? withPull(each, pull) : each)));
                  }}
                />
              </label>
              <Button
                look="quiet"
                className="px-2"
                aria-label={`Band ${i + 1} is lighter`}
                disabled={i === 0}
                onClick={() => {
                  move(i, -1);
                }}
              >
                <ArrowUp size={18} aria-hidden />
              </Button>
              <Button
                look="quiet"
                className="px-2"
                aria-label={`Band ${i + 1} is heavier`}
                disabled={i === list.length - 1}
                onClick={() => {
                  move(i, 1);
                }}
              >
                <ArrowDown size={18} aria-hidden />
              </Button>
              <Button
                look="quiet"
                className="px-2"
                aria-label={`Take band ${i + 1} off the list`}
                onClick={() => {
                  setList(list.filter((_, k) => k !== i));
                }}
              >
                <Trash2 size={18} aria-hidden />
              </Button>
            </div>
            <p role="alert" className="text-sm font-semibold text-warn empty:hidden">
              {fieldError(save.error, `/bands/${i}/name`)}
            </p>
          </li>
        ))}
      </ol>
      <p role="status" className="font-semibold empty:hidden">
        {save.isSuccess ? 'Kept.' : ''}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button
          disabled={list.length >= (library.data?.numbers.most_bands ?? 0)}
          onClick={() => {
            setList([...list, fresh]);
          }}
        >
          <Plus size={18} aria-hidden /> Another band
        </Button>
        <Button look="act" type="submit" disabled={save.isPending}>
          Keep these bands
        </Button>
      </div>
    </form>
  );
}
