import { weekDays } from '../../lib/dates';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, api, isConflict, type Schemas } from '../../api/client';
import { dayNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { SelectField, Tick } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { SavedAs } from '../../parts/plan/ProgramFiles';
import { StyleInShort } from '../../parts/styles/StyleInShort';
import { useBoard, useBoardChange, useClientId, useLibrary } from '../../parts/board/useBoard';
import { useStyles } from '../../parts/styles/useStyles';
import { WeekInShort } from '../../parts/week/WeekInShort';
import { followStyle } from './changes';
import { useWeekAsWished } from './queries';

type Days = NonNullable<Schemas['WhatIfRequest']['days']>;
type Limits = NonNullable<Schemas['WhatIfRequest']['limits']>;

/** The week as it is beside the week as it would be with another style, other minutes or more limits. Nothing is saved. */
export function WhatIf() {
  const client = useClientId();
  const board = useBoard();
  const library = useLibrary();
  const styles = useStyles();
  const command = useBoardChange();
  const navigate = useNavigate();
  const [style, setStyle] = useState<string | null>(null);
  const [days, setDays] = useState<Days | null>(null);
  const [limits, setLimits] = useState<Limits>([]);
  const wishes = { ...(style === null ? {} : { style }), ...(days === null ? {} : { days }), limits };
  const asked = style !== null || days !== null || limits.length > 0;
  const then = useWeekAsWished(client, board.data?.version, wishes, asked);
  if (board.data === undefined || library.data === undefined || styles.data === undefined)
    return <Waiting what="the week" />;
  const known = new Set(board.data.client.limits.map((limit) => limit.id));
  const minutes = days ?? board.data.client.days;
  const chosen = styles.data.styles.find((each) => each.id === (style ?? board.data.style.id));
  return (
    <div className="grid gap-4 lg:grid-cols-[18rem_minmax(0,1fr)]">
      <div className="space-y-4">
        <h2 className="text-xl font-bold">What if …</h2>
        <SelectField
          label="House style"
          value={style ?? board.data.style.id}
          options={styles.data.styles.map((each) => [each.id, each.name] as const)}
          onChange={(id) => {
            setStyle(id === board.data.style.id ? null : id);
          }}
        />
        {chosen !== undefined && <StyleInShort style={chosen} />}
        <fieldset>
          <legend className="font-semibold">Minutes a day</legend>
          <div className="grid grid-cols-4 gap-2">
            {weekDays()
              .map((day) => [day, dayNames[day] ?? day] as const)
              .map(([day, name]) => (
                <label key={day} className="text-sm">
                  {name.slice(0, 3)}
                  <input
                    type="number"
                    min={0}
                    step={5}
                    aria-label={`Minutes on ${name}`}
                    className="block w-full rounded-md border border-wood bg-card px-1 py-1.5 text-base"
                    value={minutes[day] ?? 0}
                    onChange={(event) => {
                      setDays({ ...minutes, [day]: Math.max(0, Math.round(Number(event.target.value))) });
                    }}
                  />
                </label>
              ))}
          </div>
        </fieldset>
        <fieldset>
          <legend className="font-semibold">Sore as well</legend>
          {library.data.library.limits
            .filter((limit) => limit.kind === 'soreness' && !known.has(limit.id))
            .map((limit) => (
              <Tick
                key={limit.id}
                label={limit.name}
                checked={limits.includes(limit.id)}
                onChange={(on) => {
                  const id = limit.id;
                  setLimits(on ? [...limits, id] : limits.filter((each) => each !== id));
                }}
              />
            ))}
        </fieldset>
        <div className="space-y-2">
          {asked && (
            <Button
              look="act"
              disabled={command.isPending || then.data === undefined || then.isError || then.isFetching}
              onClick={() => {
                const { style: named, ...others } = wishes;
                command.mutate(followStyle(named ?? board.data.style.id, others), {
                  onSuccess: () => void navigate('../week'),
                });
              }}
            >
              {style === null ? 'Follow this week' : `Follow ${chosen?.name ?? ''}`} from now on
            </Button>
          )}
          <p role="alert" className="font-semibold text-warn empty:hidden">
            {isConflict(command.error) ? null : command.error?.message}
          </p>
          <p className="text-sm text-faint">
            Nothing here is saved before you follow it: then the style, the minutes and the limits are the client’s, and
            the program begins with this very week. Limits are taken away{' '}
            <Link to={`/clients/${client}/edit`} className="underline">
              with the client
            </Link>
            .
          </p>
        </div>
      </div>
      <div>
        {then.isError && <Notice title={then.error.message} />}
        <div className="grid gap-4 xl:grid-cols-2">
          <WeekInShort title="The week now" under={board.data.style.name} week={board.data.week} other={null} />
          {asked && then.data !== undefined && !then.isError ? (
            <div className="space-y-2">
              <WeekInShort
                title="The week then"
                under={then.data.style.name}
                week={then.data.week}
                other={board.data.week}
              />
              <SavedAs
                what="The program then"
                text={(form) =>
                  answer(
                    api.POST('/clients/{client}/what-if/file', {
                      params: { path: { client }, query: { form } },
                      body: wishes,
                      parseAs: 'text',
                    }),
                  )
                }
              />
            </div>
          ) : (
            <p className="rounded-lg border border-dashed border-line p-4 text-faint">
              Change the style, the minutes or a limit, and the week as it would be stands here.
            </p>
          )}
        </div>
      </div>
    </div>
  );
}
