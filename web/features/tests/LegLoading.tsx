import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { CuffTrace, type Trace } from '../../parts/cuff/CuffTrace';
import { cuffPlays, useCuff, usePlayCuff } from '../../parts/cuff/useCuff';
import { Plays } from '../../parts/devices/Plays';

export type LegLoadingResult = NonNullable<Schemas['TestDayRequest']['leg_loading']>;
type Level = LegLoadingResult['levels'][number];

/** The staged leg-loading test: level after level until the back moves, by the cuff's reading or by the trainer's eye. */
export function LegLoading({
  protocol,
  result,
  onChange,
}: {
  protocol: Schemas['TestDays']['protocol']['staged'];
  result: LegLoadingResult | null;
  onChange: (result: LegLoadingResult | null) => void;
}) {
  const method = result?.method ?? null;
  const levels = result?.levels ?? [];
  const last = levels.at(-1);
  const failed = last !== undefined && last.held === false;
  const next = failed ? null : levels.length + 1;
  const add = (level: Level) => {
    if (method !== null) onChange({ method, levels: [...levels, level] });
  };
  return (
    <section aria-label={protocol.name} className="rounded-lg border border-line bg-card p-3">
      <h3 className="font-bold">{protocol.name}</h3>
      <p className="text-[0.9375rem]">
        {protocol.how} <span className="text-faint">{protocol.source}</span>
      </p>
      {method === null ? (
        <div className="mt-2 flex flex-wrap gap-2">
          <Button
            onClick={() => {
              onChange({ method: 'cuff', levels: [] });
            }}
          >
            With the pressure cuff
          </Button>
          <Button
            onClick={() => {
              onChange({ method: 'back-still', levels: [] });
            }}
          >
            Without: by “back still”
          </Button>
        </div>
      ) : (
        <>
          <ol className="mt-2 space-y-1">
            {protocol.levels.map((text, i) => {
              const done = levels.find((each) => each.level === i + 1);
              return (
                <li
                  key={text}
                  className={`rounded-md border px-3 py-1.5 ${next === i + 1 ? 'border-act' : 'border-line'} ${done === undefined && next !== i + 1 ? 'text-faint' : ''}`}
                >
                  <b>{i + 1}.</b> {text}{' '}
                  {done !== undefined && <b>{done.held === true ? 'Held.' : 'Not held: the test ends here.'}</b>}
                  {next === i + 1 &&
                    (method === 'cuff' ? (
                      <WithCuff key={i} level={i + 1} onDone={add} />
                    ) : (
                      <div className="mt-1 flex gap-2">
                        <Button
                          onClick={() => {
                            add({ level: i + 1, held: true });
                          }}
                        >
                          Back still
                        </Button>
                        <Button
                          onClick={() => {
                            add({ level: i + 1, held: false });
                          }}
                        >
                          Back moved
                        </Button>
                      </div>
                    ))}
                </li>
              );
            })}
          </ol>
          <Button
            look="quiet"
            className="mt-1"
            onClick={() => {
              onChange(null);
            }}
          >
            Start this test again
          </Button>
        </>
      )}
    </section>
  );
}

/** Watches the cuff, records its trace, and ends the level when the reading leaves its reach. */
function WithCuff({ level, onDone }: { level: number; onDone: (level: Level) => void }) {
  const [began, setBegan] = useState<number | null>(null);
  const cuff = useCuff(true);
  const play = usePlayCuff();
  const trace = useRef<Trace>([]);
  const [shown, setShown] = useState<Trace>([]);
  const { data, dataUpdatedAt } = cuff;
  const reading = data?.mmhg ?? null;

  useEffect(() => {
    if (began === null || reading === null) return;
    trace.current = [...trace.current, [Math.round(performance.now() - began) / 1000, reading]];
    setShown(trace.current);
    if (data?.held === false) {
      setBegan(null);
      onDone({ level, held: false, trace: trace.current });
    }
    // a new reading is a new moment, even where the number is the same
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [dataUpdatedAt]);

  if (data === undefined) return <p className="text-faint">Looking for the cuff …</p>;
  if (reading === null) return <p className="font-semibold text-warn">No cuff answers. Use “back still” instead.</p>;
  return (
    <div className="mt-1 space-y-2">
      <div className="flex flex-wrap items-center gap-4">
        <span role="status" className={`min-w-36 text-3xl font-bold ${data.held === false ? 'text-warn' : ''}`}>
          {reading.toFixed(1)} <span className="text-base font-normal">mmHg</span>
        </span>
        <CuffTrace trace={shown} target={data.target} reach={data.reach} />
        <span className="text-[0.9375rem] text-faint">
          {data.name}: {data.target} ± {data.reach} mmHg
        </span>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        {began === null ? (
          <Button
            look="act"
            onClick={() => {
              trace.current = [];
              setShown([]);
              setBegan(performance.now());
            }}
          >
            Start level {level}
          </Button>
        ) : (
          <Button
            look="act"
            disabled={shown.length === 0}
            onClick={() => {
              setBegan(null);
              onDone({ level, held: true, trace: trace.current });
            }}
          >
            Done, both legs
          </Button>
        )}
        <Plays plays={cuffPlays} onPlay={play.mutate} />
      </div>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {play.error?.message}
      </p>
    </div>
  );
}
