import { useMutation } from '@tanstack/react-query';
import { CalendarPlus, FileDown } from 'lucide-react';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { moment } from '../../lib/dates';
import { Button } from '../../ui/Button';

type Links = Schemas['CalendarLinks']['links'];

/** The sessions as a file, and the private addresses at which a calendar finds them. */
export function CalendarAddresses({
  file,
  links,
  make,
  onChange,
}: {
  /** where the file is */
  file: string;
  links: Links;
  make: () => Promise<Schemas['CalendarIssued']>;
  /** the addresses are others now */
  onChange: () => void;
}) {
  const [made, setMade] = useState<string | null>(null);
  const subscribe = useMutation({
    mutationFn: make,
    onSuccess: (issued) => {
      // where this device reaches the machine, a calendar on it does too
      setMade(`${window.location.origin}${issued.path}`);
      onChange();
    },
  });
  const withdraw = useMutation({
    mutationFn: (link: string) => answer(api.POST('/calendar/links/{link}/withdraw', { params: { path: { link } } })),
    onSuccess: () => {
      setMade(null);
      onChange();
    },
  });
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap gap-2">
        <a
          href={file}
          download
          className="inline-flex min-h-10 items-center gap-2 rounded-md border border-line bg-card px-3 text-[0.9375rem] font-semibold hover:border-ink"
        >
          <FileDown size={18} aria-hidden /> Calendar file
        </a>
        <Button
          disabled={subscribe.isPending}
          onClick={() => {
            subscribe.mutate();
          }}
        >
          <CalendarPlus size={18} aria-hidden /> Private address
        </Button>
      </div>
      {made !== null && (
        <div role="status" className="rounded-md border border-line bg-paper p-2">
          <p>Give this to a calendar program to subscribe to. It is shown only now:</p>
          <p className="font-mono text-sm break-all select-all">{made}</p>
          <p className="text-sm text-faint">
            Whoever has it reads the sessions without signing in. It works where this machine is reached: on the
            studio’s network, while the machine is on.
          </p>
        </div>
      )}
      {links.length > 0 && (
        <ul className="text-[0.9375rem]">
          {links.map((link) => (
            <li key={link.id} className="flex flex-wrap items-center gap-x-3 border-t border-line py-1">
              <span className="flex-1">
                Address made {moment(link.made)}
                <span className="text-faint">
                  {link.seen === null ? ', not asked yet' : `, last asked ${moment(link.seen)}`}
                </span>
              </span>
              <Button
                look="quiet"
                disabled={withdraw.isPending}
                onClick={() => {
                  withdraw.mutate(link.id);
                }}
              >
                Withdraw
              </Button>
            </li>
          ))}
        </ul>
      )}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {subscribe.error?.message ?? withdraw.error?.message}
      </p>
    </div>
  );
}
