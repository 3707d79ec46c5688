import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { answer, api } from '../../api/client';
import { amount, unitOf } from '../../lib/units';
import { AmountInput } from '../../ui/AmountInput';
import { Button } from '../../ui/Button';
import { CloseDialog } from '../../ui/Dialog';
import type { Place } from './find';
import { Marking } from './Marking';
import { PictureFile } from './PictureFile';
import { pictureOf, type Picture } from './picture';

/** A usual mat. Centimetres. */
const mat = 183;
const names = ['known-from', 'known-to', 'from', 'to'];

/** How far a wheel or a ball went over the floor, from two marks and a length in the picture that is known. */
export default function RangeCheck({ onMeasured }: { onMeasured: (cm: number) => void }) {
  const [picture, setPicture] = useState<Picture | null>(null);
  const [places, setPlaces] = useState<Place[]>([]);
  const [known, setKnown] = useState<number | undefined>(mat);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(
    () => () => {
      if (picture !== null) URL.revokeObjectURL(picture.url);
    },
    [picture],
  );
  const measure = useMutation({
    mutationFn: () => {
      const at = (i: number): [number, number] => {
        const [x, y] = places[i] ?? [0, 0];
        return [x, y];
      };
      return answer(
        api.POST('/lines/range', {
          body: { known_cm: known ?? mat, known: [at(0), at(1)], went: [at(2), at(3)] },
        }),
      );
    },
  });
  return (
    <div className="mt-2">
      <div className="flex flex-wrap items-center gap-2">
        <PictureFile
          onPick={(file) => {
            setProblem(null);
            measure.reset();
            void pictureOf(file).then(
              ({ picture: taken, bitmap }) => {
                bitmap.close();
                setPicture(taken);
                setPlaces([]);
              },
              () => {
                setProblem('This file is no picture that the browser can read.');
              },
            );
          }}
        />
        <label className="flex items-center gap-2 font-semibold">
          Known length ({unitOf('cm')})
          <AmountInput unit="cm" most={300} asked={mat} value={known} onChange={setKnown} />
        </label>
        <CloseDialog>
          <Button look="quiet" className="ml-auto">
            Close
          </Button>
        </CloseDialog>
      </div>
      <p className="mt-1 text-[0.9375rem] text-faint">
        Square to the way it went, with the mat or a stick of that length beside it. The picture stays on this device.
      </p>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {problem ?? measure.error?.message}
      </p>
      {picture !== null && (
        <div className="mt-2 grid gap-4 md:grid-cols-[3fr_2fr]">
          <Marking
            picture={picture}
            names={names}
            anyhow={[
              [picture.width * 0.1, picture.height * 0.6],
              [picture.width * 0.9, picture.height * 0.6],
              [picture.width * 0.3, picture.height * 0.5],
              [picture.width * 0.6, picture.height * 0.5],
            ]}
            places={places}
            apart
            onChange={(moved) => {
              measure.reset();
              setPlaces(moved);
            }}
          />
          <div>
            <Button
              look="act"
              className="min-h-12"
              disabled={places.length < names.length || known === undefined || measure.isPending}
              onClick={() => {
                measure.mutate();
              }}
            >
              Measure
            </Button>
            {measure.isSuccess && (
              <div className="mt-2" role="status">
                <p className="text-4xl font-bold">{amount('cm', measure.data.cm)}</p>
                <Button
                  className="mt-2"
                  onClick={() => {
                    onMeasured(measure.data.cm);
                  }}
                >
                  Take it
                </Button>
              </div>
            )}
          </div>
        </div>
      )}
    </div>
  );
}
