import { useMutation } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { useId, useState, type ReactNode } from 'react';
import { answer, api } from '../../api/client';
import { positionNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { SelectField, TextField, Tick } from '../../ui/Field';
import { useLibrary } from '../../parts/board/useBoard';
import { RungPicker } from '../../parts/rungs/RungPicker';
import { fieldLabels, lines, without, type Rung } from './draft';
import { FigureForm } from './FigureForm';

const levels = Array.from({ length: 10 }, (_, i) => [String(i + 1), String(i + 1)] as const);
const sides = [
  ['both', 'both at once'],
  ['each', 'each side in turn'],
  ['alternate', 'alternating'],
] as const;
const roles = [
  ['brace', 'brace'],
  ['compound', 'compound'],
  ['isolation', 'isolation'],
] as const;
const grades = [
  ['', 'not answered'],
  ['0', 'none'],
  ['1', '1 light'],
  ['2', '2 real'],
  ['3', '3 high'],
] as const;

type Texts = 'adds' | 'watch' | 'less_range';
type Lists = 'setup' | 'stop' | 'felt_in' | 'not_in' | 'muscles' | 'helpful';

const texts: Texts[] = ['adds', 'watch', 'less_range'];
const lists: Lists[] = ['setup', 'stop', 'felt_in', 'not_in', 'muscles', 'helpful'];

/** All that makes a rung. */
export function RungForm({
  rung,
  others,
  errorAt,
  onChange,
}: {
  rung: Rung;
  /** the rungs of the ladder that can be done in its place: id and name */
  others: readonly (readonly [string, string])[];
  /** what is wrong with a field, or with anything in it */
  errorAt: (field: string, itself?: boolean) => string | undefined;
  onChange: (rung: Rung) => void;
}) {
  const library = useLibrary();
  const faults = library.data?.library.faults ?? [];
  const say = new Map(rung.cues.map((cue) => [cue.fault, cue.say]));

  function setFault(fault: string, on: boolean) {
    const chosen = on ? [...rung.faults, fault] : rung.faults.filter((each) => each !== fault);
    onChange({ ...rung, faults: chosen, cues: chosen.map((each) => ({ fault: each, say: say.get(each) ?? '' })) });
  }

  const cueError = (fault: string) => {
    const at = rung.cues.findIndex((cue) => cue.fault === fault);
    return at < 0 ? undefined : errorAt(`cues/${at}`);
  };
  return (
    <div className="space-y-4 rounded-lg border border-line bg-card p-4">
      {rung.id === '' && <Like rung={rung} onChange={onChange} />}
      {rung.retired === true && (
        <SelectField
          label={fieldLabels.instead}
          value={rung.instead ?? ''}
          options={[['', 'nothing'], ...others]}
          onChange={(other) => {
            onChange(other === '' ? without(rung, 'instead') : { ...rung, instead: other });
          }}
          error={errorAt('instead')}
        />
      )}
      <div className="grid gap-3 sm:grid-cols-2 xl:grid-cols-4">
        <TextField
          className="sm:col-span-2"
          label={fieldLabels.name}
          value={rung.name}
          onChange={(name) => {
            onChange({ ...rung, name });
          }}
          error={errorAt('name')}
        />
        <SelectField
          label={fieldLabels.level}
          value={String(rung.level)}
          options={levels}
          onChange={(level) => {
            onChange({ ...rung, level: Number(level) });
          }}
          error={errorAt('level')}
        />
        <SelectField
          label={fieldLabels.position}
          value={rung.position}
          options={Object.entries(positionNames)}
          onChange={(position) => {
            onChange({ ...rung, position: position as Rung['position'] });
          }}
          error={errorAt('position')}
        />
        <LinesField
          label={fieldLabels.steps}
          rows={4}
          value={rung.steps}
          onChange={(steps) => {
            onChange({ ...rung, steps });
          }}
          error={errorAt('steps')}
        />
        <div className="space-y-3">
          <SelectField
            label={fieldLabels.side}
            value={rung.side}
            options={sides}
            onChange={(side) => {
              onChange({ ...rung, side: side as Rung['side'] });
            }}
            error={errorAt('side')}
          />
          <SelectField
            label={fieldLabels.role}
            value={rung.role}
            options={roles}
            onChange={(role) => {
              onChange({ ...rung, role: role as Rung['role'] });
            }}
            error={errorAt('role')}
          />
        </div>
        <div className="space-y-3">
          <TextField
            label={fieldLabels.tempo}
            value={rung.tempo ?? ''}
            onChange={(tempo) => {
              const next = { ...rung, tempo };
              if (tempo === '') delete (next as Partial<Rung>).tempo;
              onChange(next);
            }}
            error={errorAt('tempo')}
          />
          <TextField
            label={fieldLabels.rest_s}
            unit="s"
            type="number"
            value={String(rung.rest_s)}
            onChange={(rest) => {
              onChange({ ...rung, rest_s: Number(rest) });
            }}
            error={errorAt('rest_s')}
          />
        </div>
        <LinesField
          label={fieldLabels.aliases}
          rows={4}
          value={rung.aliases}
          onChange={(aliases) => {
            onChange({ ...rung, aliases });
          }}
          error={errorAt('aliases')}
        />
      </div>
      <FigureForm
        figure={rung.figure}
        error={errorAt('figure')}
        onChange={(figure) => {
          onChange({ ...rung, figure });
        }}
      />
      <Fold title="Kit and loads" open>
        <div className="flex flex-wrap gap-x-4">
          {library.data?.library.equipment
            .filter((each) => each.id !== 'mat')
            .map((each) => (
              <Tick
                key={each.id}
                label={each.name}
                checked={rung.equipment.includes(each.id as Rung['equipment'][number])}
                onChange={(on) => {
                  const id = each.id as Rung['equipment'][number];
                  onChange({
                    ...rung,
                    equipment: on ? [...rung.equipment, id] : rung.equipment.filter((one) => one !== id),
                  });
                }}
              />
            ))}
        </div>
        <p className="mt-2 text-[0.9375rem]">
          What does it load? Every one is answered, “none” too, before it is planned for anybody with a limit.
        </p>
        <div className="mt-1 grid grid-cols-2 gap-2 sm:grid-cols-4 xl:grid-cols-6">
          {library.data?.library.stresses.map((stress) => (
            <SelectField
              key={stress.id}
              label={<span className="text-sm">{stress.name}</span>}
              value={String(rung.stresses[stress.id] ?? '')}
              options={grades}
              onChange={(grade) => {
                const others = without(rung.stresses, stress.id);
                onChange({ ...rung, stresses: grade === '' ? others : { ...others, [stress.id]: Number(grade) } });
              }}
            />
          ))}
        </div>
      </Fold>
      <Fold
        title="Faults and cues, three to six"
        open={errorAt('faults') !== undefined || errorAt('cues') !== undefined}
      >
        <p role="alert" className="text-sm font-semibold text-warn empty:hidden">
          {errorAt('faults') ?? errorAt('cues', true)}
        </p>
        <div className="grid gap-x-6 sm:grid-cols-2">
          {faults.map((fault) => (
            <div key={fault.id}>
              <Tick
                label={fault.name}
                checked={rung.faults.includes(fault.id)}
                onChange={(on) => {
                  setFault(fault.id, on);
                }}
              />
              {rung.faults.includes(fault.id) && (
                <input
                  aria-label={`Cue for ${fault.name}`}
                  aria-invalid={cueError(fault.id) !== undefined}
                  className="mb-1 ml-7 block w-[calc(100%-1.75rem)] rounded border border-wood bg-card px-2 py-1"
                  value={say.get(fault.id) ?? ''}
                  onChange={(event) => {
                    onChange({
                      ...rung,
                      cues: rung.faults.map((each) => ({
                        fault: each,
                        say: each === fault.id ? event.target.value : (say.get(each) ?? ''),
                      })),
                    });
                  }}
                />
              )}
              {cueError(fault.id) !== undefined && (
                <p role="alert" className="mb-1 ml-7 text-sm font-semibold text-warn">
                  {cueError(fault.id)}
                </p>
              )}
            </div>
          ))}
        </div>
      </Fold>
      <Fold title="Words" open>
        <div className="grid gap-3 sm:grid-cols-3">
          {texts.map((key) => (
            <TextField
              key={key}
              label={fieldLabels[key]}
              value={rung[key]}
              onChange={(text) => {
                onChange({ ...rung, [key]: text });
              }}
              error={errorAt(key)}
            />
          ))}
          {lists.map((key) => (
            <LinesField
              key={key}
              label={fieldLabels[key]}
              rows={3}
              value={rung[key]}
              onChange={(list) => {
                onChange({ ...rung, [key]: list });
              }}
              error={errorAt(key)}
            />
          ))}
        </div>
      </Fold>
      <Fold title={fieldLabels.requires} open={rung.requires.length > 0 || errorAt('requires') !== undefined}>
        {rung.requires.map((gate, i) => (
          <div key={gate.rung} className="mb-2 flex items-end gap-2">
            <TextField
              className="flex-1"
              label={
                library.data?.library.ladders.flatMap((each) => each.rungs).find((each) => each.id === gate.rung)
                  ?.name ?? gate.rung
              }
              value={gate.what}
              error={errorAt(`requires/${i}`)}
              onChange={(what) => {
                onChange({ ...rung, requires: rung.requires.map((each, k) => (k === i ? { ...each, what } : each)) });
              }}
            />
            <Button
              aria-label="Take this gate away"
              onClick={() => {
                onChange({ ...rung, requires: rung.requires.filter((_, k) => k !== i) });
              }}
            >
              <Trash2 size={18} aria-hidden />
            </Button>
          </div>
        ))}
        <div className="max-w-sm">
          <RungPicker
            label="Add a gate"
            onPick={(picked) => {
              if (!rung.requires.some((each) => each.rung === picked.id))
                onChange({ ...rung, requires: [...rung.requires, { rung: picked.id, what: 'done clean once' }] });
            }}
          />
        </div>
      </Fold>
    </div>
  );
}

/** Everything but the name taken over from an exercise that is like it. */
function Like({ rung, onChange }: { rung: Rung; onChange: (rung: Rung) => void }) {
  const [from, setFrom] = useState('');
  const like = useMutation({
    mutationFn: (id: string) => answer(api.GET('/rungs/{rung}/draft', { params: { path: { rung: id } } })),
    onSuccess: (found) => {
      onChange({ ...found.rung, name: rung.name });
    },
  });
  return (
    <div className="max-w-sm">
      <RungPicker
        label="Start from a like exercise"
        onPick={(picked) => {
          setFrom(picked.name);
          like.mutate(picked.id);
        }}
      />
      <p role="status" className="text-sm text-faint empty:hidden">
        {like.error?.message ?? (like.isSuccess ? `As ${from}, till you change it.` : '')}
      </p>
    </div>
  );
}

function Fold({ title, open = false, children }: { title: string; open?: boolean; children: ReactNode }) {
  return (
    <details open={open} className="border-t border-line pt-2">
      <summary className="min-h-8 cursor-pointer font-bold">{title}</summary>
      {children}
    </details>
  );
}

/** A list written as lines; the text is kept as typed while it is being written. */
function LinesField({
  label,
  rows,
  value,
  onChange,
  error,
}: {
  label: string;
  rows: number;
  value: readonly string[];
  onChange: (lines: string[]) => void;
  error?: string | undefined;
}) {
  const id = useId();
  const [typed, setText] = useState(value.join('\n'));
  const text = lines(typed).join('\n') === value.join('\n') ? typed : value.join('\n');
  return (
    <label className="block font-semibold">
      {label}
      <textarea
        rows={rows}
        className="mt-0.5 block w-full rounded-md border border-wood bg-card px-2 py-1.5 text-[0.9375rem] font-normal"
        value={text}
        aria-invalid={error !== undefined}
        aria-describedby={error === undefined ? undefined : id}
        onChange={(event) => {
          setText(event.target.value);
          onChange(lines(event.target.value));
        }}
      />
      <span id={id} role={error === undefined ? undefined : 'alert'} className="block text-sm font-semibold text-warn">
        {error}
      </span>
    </label>
  );
}
