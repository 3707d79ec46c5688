import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { dayNames } from '../../lib/words';
import { fieldError } from '../../lib/fieldError';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { CalendarAddresses } from '../../parts/calendar/CalendarAddresses';

type Times = Schemas['CalendarTimesRequest']['times'];
type Day = keyof Times;

/** The sessions in calendars: at what time of day, as a file, at a private address. */
export function ProgramCalendar({
  client,
  days,
  isDated,
}: {
  client: string;
  days: readonly string[];
  isDated: boolean;
}) {
  const queries = useQueryClient();
  const path = { client };
  const calendar = useQuery({
    queryKey: ['calendar', client],
    queryFn: () => answer(api.GET('/clients/{client}/calendar', { params: { path } })),
  });
  const [typed, setTyped] = useState<Times | null>(null);
  const save = useMutation({
    mutationFn: (times: Times) =>
      answer(api.POST('/clients/{client}/calendar/times', { params: { path }, body: { times } })),
    onSuccess: (now) => {
      queries.setQueryData(['calendar', client], now);
      setTyped(null);
    },
  });
  const times = typed ?? calendar.data?.times ?? {};
  return (
    <section aria-label="Calendar" className="space-y-3 rounded-lg border border-line bg-card p-3">
      <h2 className="text-xl font-bold">Calendar</h2>
      {!isDated && <p className="text-faint">The days have no dates yet: say above when the program begins.</p>}
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate(times);
        }}
      >
        {days.map((day) => (
          <TextField
            key={day}
            label={dayNames[day] ?? day}
            className="w-32"
            value={times[day as Day] ?? ''}
            error={fieldError(save.error, `/times/${day}`)}
            onChange={(time) => {
              const others = Object.fromEntries(Object.entries(times).filter(([other]) => other !== day)) as Times;
              setTyped(time === '' ? others : { ...others, [day]: time });
            }}
          />
        ))}
        <Button type="submit" disabled={typed === null || save.isPending}>
          Keep the times
        </Button>
      </form>
      <p className="text-sm text-faint">Time of day, as in 17:30; without one a session lasts the whole day.</p>
      <CalendarAddresses
        file={`/api/clients/${client}/calendar.ics`}
        links={calendar.data?.links ?? []}
        make={() => answer(api.POST('/clients/{client}/calendar/links', { params: { path } }))}
        onChange={() => void queries.invalidateQueries({ queryKey: ['calendar', client] })}
      />
    </section>
  );
}
