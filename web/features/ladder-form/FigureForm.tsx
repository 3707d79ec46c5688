import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { SelectField, Tick } from '../../ui/Field';
import { Moving } from '../../ui/Figure';
import { without, type Rung } from './draft';
import { useDrawing, usePoses } from './queries';
import { Draggable } from './Draggable';
import { angleWords, jointWords, kitWords } from './figureWords';

type Spec = Rung['figure'];
type Angles = NonNullable<Spec['with']>;
type Prop = NonNullable<Spec['props']>[number];
type PlaceOf = NonNullable<Prop['at']>;

const views = [
  ['', 'as the base pose'],
  ['side', 'from the side'],
  ['front', 'from the front'],
  ['quarter', 'half from the front'],
  ['raised', 'from the side, a little above'],
  ['corner', 'from a corner, a little above'],
  ['above', 'from above'],
] as const;
const limbs = ['hip', 'hip-out', 'hip-turn', 'knee', 'ankle', 'shoulder', 'shoulder-out', 'shoulder-turn', 'elbow'];
const names = [
  'pitch',
  'roll',
  'turn',
  'spine',
  'spine-side',
  'spine-twist',
  'neck',
  'neck-side',
  ...limbs.flatMap((limb) => [limb, `${limb}-r`, `${limb}-l`]),
];
const kinds = [
  'wall',
  'box',
  'ball',
  'wheel',
  'weight',
  'plate',
  'throw-ball',
  'cuff',
  'bar',
  'rig',
  'stick',
  'strap',
  'band',
] as const;
const ends = ['hand-r', 'hand-l', 'ankle-r', 'ankle-l'] as const;
const joints = [
  'hands',
  'hand-r',
  'hand-l',
  'elbow-r',
  'elbow-l',
  'ankle-r',
  'ankle-l',
  'knee-r',
  'pelvis',
  'waist',
  'neck',
  'head',
] as const;

/** Whether its sides differ already. */
function isLopsided(figure: Spec): boolean {
  return [figure.with ?? {}, ...(figure.to ?? [])].some((angles) =>
    Object.keys(angles).some((name) => /-[rl]$/.test(name)),
  );
}

/** The figure of a rung: a base pose, the angles that differ, and where it moves to. */
export function FigureForm({
  figure,
  error,
  onChange,
}: {
  figure: Spec;
  error: string | undefined;
  onChange: (figure: Spec) => void;
}) {
  const poses = usePoses();
  const drawing = useDrawing(figure);
  const to = figure.to?.[0];
  const [alike, setAlike] = useState(!isLopsided(figure));
  return (
    <section
      aria-label="Figure"
      className="grid gap-4 border-t border-line pt-2 xl:grid-cols-[minmax(0,34rem)_minmax(0,1fr)]"
    >
      <div>
        <h3 className="font-bold">Figure</h3>
        <p className="text-sm text-faint">
          Drag a hand, a foot or a knee to where it belongs, or move it with the arrow keys.
        </p>
        <div className="grid grid-cols-2 gap-3 rounded-md border border-line p-2">
          {drawing.data === undefined ? (
            <div className="h-40" />
          ) : (
            <>
              {[false, true].map((ofEnd) =>
                ofEnd && to === undefined ? (
                  <div key="none" className="flex flex-col justify-center gap-2 text-center text-sm text-faint">
                    Held still.
                    <Button
                      onClick={() => {
                        onChange({ ...figure, to: [{}] });
                      }}
                    >
                      It moves
                    </Button>
                  </div>
                ) : (
                  <div key={String(ofEnd)}>
                    <Draggable figure={figure} drawing={drawing.data} ofEnd={ofEnd} alike={alike} onChange={onChange} />
                    <p className="text-center text-sm text-faint">{ofEnd ? 'end' : 'start'}</p>
                  </div>
                ),
              )}
              {to !== undefined && (
                <Moving
                  key={JSON.stringify(figure)}
                  drawing={drawing.data}
                  label="The figure as it is now"
                  className="w-full"
                />
              )}
            </>
          )}
        </div>
        <p role="alert" className="text-sm font-semibold text-warn">
          {error ?? drawing.error?.message}
        </p>
        <div className="flex flex-wrap gap-x-4">
          <Tick label="Both sides alike" checked={alike} onChange={setAlike} />
          {to !== undefined && (
            <Button
              look="quiet"
              onClick={() => {
                onChange(without(figure, 'to'));
              }}
            >
              Held still instead
            </Button>
          )}
        </div>
      </div>
      <div className="space-y-3">
        <div className="grid gap-3 sm:grid-cols-2 xl:grid-cols-1">
          <SelectField
            label="Base pose"
            value={figure.pose}
            options={poses.data?.poses.map((pose) => [pose.id, pose.name] as const) ?? [[figure.pose, figure.pose]]}
            onChange={(pose) => {
              onChange({ ...figure, pose });
            }}
          />
          <SelectField
            label="Seen"
            value={figure.view ?? ''}
            options={views}
            onChange={(view) => {
              const rest = without(figure, 'view');
              onChange(view === '' ? rest : { ...rest, view: view as NonNullable<Spec['view']> });
            }}
          />
        </div>
        <div className="flex flex-wrap gap-x-4">
          <Tick
            label="Then the other side"
            checked={figure.mirrored === true}
            onChange={(mirrored) => {
              onChange({ ...figure, mirrored });
            }}
          />
          <Tick
            label="Lowers first"
            checked={figure.lowers_first === true}
            onChange={(lowers_first) => {
              onChange({ ...figure, lowers_first });
            }}
          />
          {ends.map((end) => (
            <Tick
              key={end}
              label={`${jointWords(end)} stays`}
              checked={figure.planted?.includes(end) === true}
              onChange={(on) => {
                onChange({
                  ...figure,
                  planted: on
                    ? [...(figure.planted ?? []), end]
                    : (figure.planted ?? []).filter((each) => each !== end),
                });
              }}
            />
          ))}
        </div>
        <Props
          props={figure.props ?? []}
          onChange={(props) => {
            onChange({ ...figure, props });
          }}
        />
        <details>
          <summary className="min-h-8 cursor-pointer font-semibold">Angles in degrees</summary>
          <p className="text-sm text-faint">What names no side is for both.</p>
          <Nudges
            title="Differs from the base pose by"
            angles={figure.with ?? {}}
            onChange={(angles) => {
              onChange({ ...figure, with: angles });
            }}
          />
          <Nudges
            title="Moves to"
            angles={to ?? {}}
            onChange={(angles) => {
              const { to: others = [], ...rest } = figure;
              const poses = Object.keys(angles).length === 0 ? others.slice(1) : [angles, ...others.slice(1)];
              onChange(poses.length === 0 ? rest : { ...rest, to: poses });
            }}
          />
        </details>
      </div>
    </section>
  );
}

function Nudges({ title, angles, onChange }: { title: string; angles: Angles; onChange: (angles: Angles) => void }) {
  const left = names.filter((name) => angles[name] === undefined);
  return (
    <fieldset>
      <legend className="font-semibold">{title}</legend>
      <div className="flex flex-wrap items-end gap-2">
        {Object.entries(angles).map(([name, value]) => (
          <label key={name} className="text-sm">
            {angleWords(name)} (°)
            <span className="flex">
              <input
                type="number"
                step={5}
                className="block w-20 rounded-l-md border border-wood bg-card px-2 py-1 text-base"
                value={value}
                onChange={(event) => {
                  onChange({ ...angles, [name]: Number(event.target.value) });
                }}
              />
              <button
                type="button"
                aria-label={`Take away: ${angleWords(name)}`}
                className="min-w-8 rounded-r-md border border-l-0 border-wood px-1"
                onClick={() => {
                  onChange(without(angles, name));
                }}
              >
                ×
              </button>
            </span>
          </label>
        ))}
        <label className="text-sm">
          <span className="sr-only">Add a movement: {title}</span>
          <select
            className="rounded-md border border-wood bg-card px-2 py-1.5"
            value=""
            onChange={(event) => {
              if (event.target.value !== '') onChange({ ...angles, [event.target.value]: 0 });
            }}
          >
            <option value="">add a movement</option>
            {left.map((name) => (
              <option key={name} value={name}>
                {angleWords(name)}
              </option>
            ))}
          </select>
        </label>
      </div>
    </fieldset>
  );
}

function Props({ props, onChange }: { props: Prop[]; onChange: (props: Prop[]) => void }) {
  const set = (i: number, prop: Prop) => {
    onChange(props.map((each, k) => (k === i ? prop : each)));
  };
  return (
    <fieldset>
      <legend className="font-semibold">Kit in the picture</legend>
      {props.map((prop, i) => (
        <div key={i} className="mb-1 flex flex-wrap items-end gap-2 text-sm">
          <label>
            Piece
            <select
              className="block rounded-md border border-wood bg-card px-2 py-1.5 text-base"
              value={prop.kind}
              onChange={(event) => {
                set(i, { ...prop, kind: event.target.value as Prop['kind'] });
              }}
            >
              {kinds.map((kind) => (
                <option key={kind} value={kind}>
                  {kitWords(kind)}
                </option>
              ))}
            </select>
          </label>
          <Place
            label="At"
            place={prop.at}
            onChange={(at) => {
              set(i, { ...prop, at });
            }}
          />
          {['band', 'strap', 'stick'].includes(prop.kind) && (
            <Place
              label="To"
              place={prop.to}
              onChange={(to) => {
                set(i, { ...prop, to });
              }}
            />
          )}
          <Button
            aria-label="Take this piece away"
            onClick={() => {
              onChange(props.filter((_, k) => k !== i));
            }}
          >
            <Trash2 size={16} aria-hidden />
          </Button>
        </div>
      ))}
      <Button
        onClick={() => {
          onChange([...props, { kind: 'weight', at: 'hands' }]);
        }}
      >
        <Plus size={16} aria-hidden /> Add a piece
      </Button>
    </fieldset>
  );
}

/** At the middle of the room, a little above the floor. */
const ownPlace = [0, 10, 0];
const directions = ['forward', 'up', 'to the right'] as const;

/** A joint, or a place in the room in hundredths of body height. */
function Place({ label, place, onChange }: { label: string; place: Prop['at']; onChange: (place: PlaceOf) => void }) {
  const numbers = Array.isArray(place) ? place : null;
  return (
    <>
      <label>
        {label}
        <select
          className="block rounded-md border border-wood bg-card px-2 py-1.5 text-base"
          value={numbers === null ? (place as string | undefined) : 'own'}
          onChange={(event) => {
            onChange(event.target.value === 'own' ? ownPlace : (event.target.value as PlaceOf));
          }}
        >
          {joints.map((joint) => (
            <option key={joint} value={joint}>
              {joint === 'hands' ? 'between the hands' : jointWords(joint)}
            </option>
          ))}
          <option value="own">a place in the room</option>
        </select>
      </label>
      {numbers?.map((number, i) => (
        <label key={directions[i]}>
          {directions[i]}, % of height
          <input
            type="number"
            step={5}
            className="block w-24 rounded-md border border-wood bg-card px-2 py-1 text-base"
            value={number}
            onChange={(event) => {
              onChange(numbers.map((each, k) => (k === i ? Number(event.target.value) : each)));
            }}
          />
        </label>
      ))}
    </>
  );
}
