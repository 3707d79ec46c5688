import { Short } from './Lane';
import { useFloor } from '../../parts/run/store';

/** The clocks that run, for the menu of every page. */
export default function FloorClock() {
  const running = useFloor().runs.filter((run) => run.since !== null && !run.finished);
  return running.map((run) => (
    <span key={run.id} title={run.plan.title} className="ml-1 rounded-sm bg-stand px-1 text-on-stand" data-menu-clock>
      <span className="sr-only">, clock at </span>
      <Short run={run} only />
    </span>
  ));
}
