import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { SelectField, Tick } from '../../ui/Field';
import { Moving } from '../../ui/Figure';
import { without, type Rung } from './draft';
import { useDrawing, usePoses } from './queries';
import { angleWords, endWords, kitWords } from './figureWords';

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
  return (
    <section aria-label="Figure" className="grid gap-4 border-t border-line pt-2 md:grid-cols-[18rem_minmax(0,1fr)]">
      <div>
        <h3 className="font-bold">Figure</h3>
        <div className="rounded-md border border-line p-2">
          {drawing.data === undefined ? (
            <div className="h-40" />
          ) : (
            <Moving
              key={JSON.stringify(figure)}
              drawing={drawing.data}
              label="The figure as it is now"
              className="max-h-56 w-full"
            />
          )}
        </div>
        <p role="alert" className="text-sm font-semibold text-warn">
          {error ?? drawing.error?.message}
        </p>
        <p className="text-sm text-faint">In degrees; what names no side is for both.</p>
      </div>
      <div className="space-y-3">
        <div className="grid gap-3 sm:grid-cols-2">
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
        <div className="flex flex-wrap gap-x-4">
          <Tick
            label="The other side follows"
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
              label={`${endWords(end)} stays`}
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

function write(place: Prop['at']): string {
  return Array.isArray(place) ? place.join(' ') : (place ?? '');
}

/** A joint, or three numbers. */
function read(text: string): PlaceOf {
  const numbers = text.trim().split(/\s+/).map(Number);
  if (numbers.length === 3 && numbers.every((each) => Number.isFinite(each))) return numbers;
  return text.trim() as PlaceOf;
}

function Props({ props, onChange }: { props: Prop[]; onChange: (props: Prop[]) => void }) {
  const set = (i: number, prop: Prop) => {
    onChange(props.map((each, k) => (k === i ? prop : each)));
  };
  return (
    <fieldset>
      <legend className="font-semibold">Kit in the picture</legend>
      <datalist id="figure-joints">
        {joints.map((joint) => (
          <option key={joint}>{joint}</option>
        ))}
      </datalist>
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
            label="At: a joint, or x y z"
            value={write(prop.at)}
            onChange={(text) => {
              set(i, { ...prop, at: read(text) });
            }}
          />
          {['band', 'strap', 'stick'].includes(prop.kind) && (
            <Place
              label="To"
              value={write(prop.to)}
              onChange={(text) => {
                set(i, { ...prop, to: read(text) });
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

function Place({ label, value, onChange }: { label: string; value: string; onChange: (text: string) => void }) {
  const [text, setText] = useState(value);
  return (
    <label>
      {label}
      <input
        list="figure-joints"
        className="block w-36 rounded-md border border-wood bg-card px-2 py-1 text-base"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
        }}
        onBlur={() => {
          onChange(text);
        }}
      />
    </label>
  );
}
