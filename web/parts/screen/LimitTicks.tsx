import type { Schemas } from '../../api/client';
import { Tick } from '../../ui/Field';
import { severities, type limitOf } from '../client/document';

type Limit = ReturnType<typeof limitOf>;

/** What must not be loaded: sore places by severity, and medical limits. */
export function LimitTicks({
  rules,
  limits,
  onChange,
}: {
  rules: Schemas['LibraryAnswer']['library']['limits'];
  limits: Limit[];
  onChange: (limits: Limit[]) => void;
}) {
  const turn = (id: string, on: boolean) => {
    const rest = limits.filter((each) => each.limit !== id);
    onChange(on ? [...rest, { limit: id as Limit['limit'], severity: 'moderate' }] : rest);
  };
  return (
    <>
      <div className="grid gap-x-8 sm:grid-cols-2">
        {rules
          .filter((rule) => rule.kind === 'soreness')
          .map((rule) => {
            const own = limits.find((each) => each.limit === rule.id);
            return (
              <div key={rule.id} className="flex min-h-11 items-center gap-3">
                <Tick
                  label={rule.name}
                  checked={own !== undefined}
                  onChange={(on) => {
                    turn(rule.id, on);
                  }}
                />
                {own !== undefined && (
                  <select
                    aria-label={`How sore: ${rule.name}`}
                    className="rounded border border-wood bg-card px-2 py-1"
                    value={own.severity}
                    onChange={(event) => {
                      const severity = event.target.value as Limit['severity'];
                      onChange(limits.map((each) => (each.limit === rule.id ? { ...each, severity } : each)));
                    }}
                  >
                    {severities.map((each) => (
                      <option key={each}>{each}</option>
                    ))}
                  </select>
                )}
              </div>
            );
          })}
      </div>
      <p className="mt-3 font-semibold">Medical: these need a clearance, whatever their severity</p>
      <div className="grid gap-x-8 sm:grid-cols-2">
        {rules
          .filter((rule) => rule.kind === 'medical')
          .map((rule) => {
            const own = limits.some((each) => each.limit === rule.id);
            return (
              <div key={rule.id}>
                <Tick
                  label={rule.name}
                  checked={own}
                  onChange={(on) => {
                    turn(rule.id, on);
                  }}
                />
                {own && <p className="mb-1 pl-7 text-sm text-faint">{rule.caution}</p>}
              </div>
            );
          })}
      </div>
    </>
  );
}
