import { useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/Button';
import type { Camera } from '../../parts/line/camera';
import { Cameras } from '../../parts/line/Cameras';
import { Live } from '../../parts/line/Live';
import { CuffTrace, type Trace } from '../../parts/cuff/CuffTrace';
import { cuffPlays, useCuff, usePlayCuff } from '../../parts/cuff/useCuff';
import { Plays } from '../../parts/devices/Plays';
import { endBySight, type Run } from '../../parts/run/run';

type Act = (by: (run: Run, at: number) => Run) => void;

/** A camera beside the clock: it shows the line, and ends the hold with the fault that it saw. */
export function WatchLine({ rung, hold, act }: { rung: string; hold: number | null; act: Act }) {
  const [camera, setCamera] = useState<{ camera: Camera; simulated: boolean } | null>(null);
  return camera === null ? (
    <div className="flex flex-wrap items-center gap-2">
      <span className="font-semibold">Watch the line with</span>
      <Cameras
        onChoose={(chosen, simulated) => {
          setCamera({ camera: chosen, simulated });
        }}
      />
    </div>
  ) : (
    <div>
      <Live
        camera={camera.camera}
        rung={rung}
        view="side"
        hold={hold}
        simulated={camera.simulated}
        beside
        onOver={(watched) => {
          act((run, at) => endBySight(run, at, 0, 'camera', watched.suggests[0]?.id ?? null, watched.held_s));
        }}
      />
      <Button
        className="mt-1"
        onClick={() => {
          setCamera(null);
        }}
      >
        Camera off
      </Button>
    </div>
  );
}

/** The pressure cuff beside the clock: a reading out of its reach ends the set. */
export function WatchCuff({ counts, act }: { counts: boolean; act: Act }) {
  const { data: cuff, dataUpdatedAt } = useCuff(true);
  const play = usePlayCuff();
  const [trace, setTrace] = useState<Trace>([]);
  const began = useRef(performance.now());
  const reading = cuff?.mmhg ?? null;
  const isOut = counts && cuff?.held === false;
  useEffect(() => {
    if (reading !== null)
      setTrace((before) => [...before.slice(-240), [(performance.now() - began.current) / 1000, reading]]);
    // a new reading is a new moment, even where the number is the same
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [dataUpdatedAt]);
  useEffect(() => {
    if (isOut) act((run, at) => endBySight(run, at, 0, 'cuff', cuff.fault, null));
    // once for each time that it leaves its reach
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isOut]);
  if (cuff === undefined) return <p className="text-faint">Looking for the cuff …</p>;
  if (reading === null) return <p className="font-semibold text-warn">No cuff answers.</p>;
  return (
    <div>
      <div className="flex flex-wrap items-center gap-4">
        <span role="status" className={`min-w-36 text-3xl font-bold ${cuff.held === false ? 'text-warn' : ''}`}>
          {reading.toFixed(1)} <span className="text-base font-normal">mmHg</span>
        </span>
        <CuffTrace trace={trace} target={cuff.target} reach={cuff.reach} />
        <span className="text-[0.9375rem] text-faint">
          {cuff.name}: {cuff.target} ± {cuff.reach} mmHg; a change over {cuff.reach} ends the set.
        </span>
      </div>
      <Plays plays={cuffPlays} onPlay={play.mutate} />
    </div>
  );
}
