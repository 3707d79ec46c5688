import { useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { CalendarAddresses } from '../../parts/calendar/CalendarAddresses';

/** The sessions of everybody in one calendar. */
export function StudioCalendar() {
  const queries = useQueryClient();
  const calendar = useQuery({ queryKey: ['calendar'], queryFn: () => answer(api.GET('/calendar')) });
  return (
    <section aria-label="Calendar" className="space-y-2 rounded-lg border border-line bg-card p-4">
      <h2 className="text-lg font-bold">Calendar of everybody</h2>
      <p className="text-faint">The dated sessions of all clients whom you see.</p>
      <CalendarAddresses
        file="/api/calendar.ics"
        links={calendar.data?.links ?? []}
        make={() => answer(api.POST('/calendar/links'))}
        onChange={() => void queries.invalidateQueries({ queryKey: ['calendar'], exact: true })}
      />
    </section>
  );
}
