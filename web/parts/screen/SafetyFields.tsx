import { Check } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { urgencyNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { Tick, toggled } from '../../ui/Field';
import { severities } from '../client/document';
import type { Flag, Limit, Safety, SafetyList } from './safety';

type Library = Pick<Schemas['LibraryAnswer'], 'flags' | 'library'>;

interface Props {
  library: Library;
  safety: Safety;
  onChange: (safety: Safety) => void;
  /** what was answered the time before; said, and not taken over */
  before?: readonly Flag[];
}

/** The screen: emergency signs one by one, every other list by one tap beneath all of it. Nothing is answered before it was asked. */
export function SafetyFields({ library, safety, onChange, before = [] }: Props) {
  const set = (part: Partial<Safety>) => {
    onChange({ ...safety, ...part });
  };
  const limit = (id: Limit['limit'], on: boolean) => {
    const rest = safety.limits.filter((each) => each.limit !== id);
    set({ limits: on ? [...rest, { limit: id, severity: 'moderate' }] : rest });
  };
  const rules = (kind: 'soreness' | 'medical') => library.library.limits.filter((rule) => rule.kind === kind);
  const chosen = (id: string) => safety.limits.find((each) => each.limit === id);
  const list = (of: SafetyList, title: string, none: string, some: number, rows: ReactNode) => (
    <List
      title={title}
      none={some === 0 ? none : 'Nothing else of these'}
      seen={safety.seen.includes(of)}
      onSeen={() => {
        set({ seen: toggled(safety.seen, of, !safety.seen.includes(of)) });
      }}
    >
      {rows}
    </List>
  );
  return (
    <div className="space-y-4">
      <fieldset>
        <legend className="font-semibold text-warn">{urgencyNames['emergency']}: ask each</legend>
        <div className="mt-1 grid gap-x-8 sm:grid-cols-2">
          {library.flags
            .filter((flag) => flag.urgency === 'emergency')
            .map((flag) => (
              <YesNo
                key={flag.id}
                name={flag.name}
                hint={before.includes(flag.id) ? 'yes the last time' : null}
                answer={safety.flags.includes(flag.id) ? true : safety.no.includes(flag.id) ? false : null}
                onAnswer={(yes) => {
                  set({ flags: toggled(safety.flags, flag.id, yes), no: toggled(safety.no, flag.id, !yes) });
                }}
              />
            ))}
        </div>
      </fieldset>
      {list(
        'prompt',
        urgencyNames['prompt'] ?? '',
        'None of these',
        library.flags.filter((flag) => flag.urgency === 'prompt' && safety.flags.includes(flag.id)).length,
        library.flags
          .filter((flag) => flag.urgency === 'prompt')
          .map((flag) => (
            <Tick
              key={flag.id}
              label={
                <>
                  {flag.name}
                  {before.includes(flag.id) && <span className="text-sm text-faint"> (yes the last time)</span>}
                </>
              }
              checked={safety.flags.includes(flag.id)}
              onChange={(on) => {
                set({ flags: toggled(safety.flags, flag.id, on) });
              }}
            />
          )),
      )}
      {list(
        'soreness',
        'Sore now: mild bars high stress, moderate real stress, severe any stress',
        'Nothing sore',
        rules('soreness').filter((rule) => chosen(rule.id)).length,
        rules('soreness').map((rule) => {
          const own = chosen(rule.id);
          return (
            <div key={rule.id} className="flex min-h-9 items-center gap-3">
              <Tick
                label={rule.name}
                checked={own !== undefined}
                onChange={(on) => {
                  limit(rule.id, on);
                }}
              />
              {own !== undefined && (
                <select
                  aria-label={`How sore: ${rule.name}`}
                  className="rounded border border-wood bg-card px-2 py-1"
                  value={own.severity}
                  onChange={(event) => {
                    const severity = event.target.value as Limit['severity'];
                    set({ limits: safety.limits.map((each) => (each === own ? { ...each, severity } : each)) });
                  }}
                >
                  {severities.map((each) => (
                    <option key={each}>{each}</option>
                  ))}
                </select>
              )}
            </div>
          );
        }),
      )}
      {list(
        'medical',
        'Medical: these need a clearance, whatever their severity',
        'None of these',
        rules('medical').filter((rule) => chosen(rule.id)).length,
        rules('medical').map((rule) => (
          <div key={rule.id}>
            <Tick
              label={rule.name}
              checked={chosen(rule.id) !== undefined}
              onChange={(on) => {
                limit(rule.id, on);
              }}
            />
            {chosen(rule.id) !== undefined && <p className="mb-1 pl-7 text-sm text-faint">{rule.caution}</p>}
          </div>
        )),
      )}
    </div>
  );
}

/** A list of what may be true, and the tap beneath it that says: nothing else. */
function List({
  title,
  none,
  seen,
  onSeen,
  children,
}: {
  title: string;
  none: string;
  seen: boolean;
  onSeen: () => void;
  children: ReactNode;
}) {
  return (
    <fieldset className="border-t border-line pt-2">
      <legend className="sr-only">{title}</legend>
      <p aria-hidden className="font-semibold">
        {title}
      </p>
      <div className="grid gap-x-8 sm:grid-cols-2">{children}</div>
      <Button
        aria-pressed={seen}
        data-answer
        className={`mt-1 ${seen ? 'border-stand bg-stand text-on-stand' : 'border-dashed border-warn'}`}
        onClick={onSeen}
      >
        {seen && <Check size={18} aria-hidden />} {none}
      </Button>
    </fieldset>
  );
}

function YesNo({
  name,
  hint,
  answer,
  onAnswer,
}: {
  name: string;
  hint: string | null;
  answer: boolean | null;
  onAnswer: (yes: boolean) => void;
}) {
  return (
    <div role="group" aria-label={name} className="flex items-center gap-2 border-t border-line py-1">
      <span className="min-w-0 flex-1">
        {name}
        {hint !== null && <span className="text-sm text-faint"> ({hint})</span>}
      </span>
      {([true, false] as const).map((yes) => (
        <Button
          key={String(yes)}
          aria-pressed={answer === yes}
          data-answer
          className={
            answer === yes
              ? yes
                ? 'border-warn bg-warn-soft text-warn'
                : 'border-stand bg-stand text-on-stand'
              : answer === null
                ? 'border-dashed border-warn'
                : ''
          }
          onClick={() => {
            onAnswer(yes);
          }}
        >
          {yes ? 'Yes' : 'No'}
        </Button>
      ))}
    </div>
  );
}
