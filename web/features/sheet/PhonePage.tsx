import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { QRCodeSVG } from 'qrcode.react';
import { useState } from 'react';
import { FileDown, Smartphone } from 'lucide-react';
import { answer, api, type Schemas } from '../../api/client';
import { longDate, moment } from '../../lib/dates';
import { dayNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from '../../ui/Field';
import { FileIn } from '../../ui/FileIn';
import { Waiting } from '../../ui/Notice';
import { TwoTaps } from '../../ui/TwoTaps';
import { useBoard, useClientId } from '../../parts/board/useBoard';
import { useLogChange } from '../../parts/log/useLogChange';
import { ChooseWeek } from '../../parts/week/ChooseWeek';
import { useWeek } from '../../parts/week/useWeek';
import { Ways } from './Ways';

/** A week or a session as a page of the client's own: handed out, brought back, withdrawn. */
export function PhonePage() {
  const client = useClientId();
  const board = useBoard();
  const at = useWeek();
  const pages = useQuery({
    queryKey: ['own-pages', client],
    queryFn: () => answer(api.GET('/clients/{client}/own-pages', { params: { path: { client } } })),
  });
  if (board.data === undefined || at.isPending || pages.data === undefined) return <Waiting what="the pages" />;
  return (
    <div>
      <Ways />
      <div className="grid gap-4 lg:grid-cols-2">
        {at.week === null ? (
          <p>No week is planned, so there is nothing to take home.</p>
        ) : (
          <HandOut key={at.number} name={board.data.client.name} at={at} sessions={at.week.sessions} />
        )}
        <div className="space-y-4">
          <ReadBack name={board.data.client.name} />
          <Pages pages={pages.data.pages} />
        </div>
      </div>
    </div>
  );
}

function usePages() {
  const queries = useQueryClient();
  const client = useClientId();
  return async (pages: Schemas['OwnPages']['pages']) => {
    queries.setQueryData(['own-pages', client], { pages });
    await queries.invalidateQueries({ queryKey: ['board', client] });
  };
}

function HandOut({
  name,
  at,
  sessions,
}: {
  name: string;
  at: ReturnType<typeof useWeek>;
  sessions: Schemas['BoardWeek']['sessions'];
}) {
  const client = useClientId();
  const keep = usePages();
  const [session, setSession] = useState('');
  const [address, setAddress] = useState<string>();
  const make = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/clients/{client}/own-pages', {
          params: { path: { client } },
          body: { week: at.number, ...(session === '' ? {} : { session: Number(session) }) },
        }),
      ),
    onSuccess: async (handed) => {
      setAddress(handed.addresses[0]);
      await keep(handed.pages);
    },
  });
  const handed = make.data;
  const isServed = handed !== undefined && handed.addresses.length > 0;
  const link = handed === undefined ? '' : `${address ?? window.location.origin}${handed.path}`;
  return (
    <section aria-label="Hand out" className="space-y-3 rounded-lg border border-line bg-card p-4">
      <h2 className="text-xl font-bold">A page for {name}</h2>
      <p>
        One file with the exercises moving, a clock, sets to tick, effort and pain. It needs no account and no server,
        holds nothing of anybody else, and stops working seven days after its last session.
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <ChooseWeek at={at} />
        <SelectField
          label="Sessions"
          className="w-56"
          value={session}
          options={[
            ['', 'all that are not done'],
            ...sessions.map((each, i) => [String(i + 1), `${dayNames[each.day]}, ${each.total.text}`] as const),
          ]}
          onChange={setSession}
        />
        <Button
          look="act"
          disabled={make.isPending}
          onClick={() => {
            make.mutate();
          }}
        >
          <Smartphone size={18} aria-hidden /> Make the page
        </Button>
      </div>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {make.error?.message}
      </p>
      {handed !== undefined && (
        <div role="status" className="space-y-3 rounded-md border border-line bg-paper p-3">
          {handed.left.length > 0 && (
            <div>
              <p className="font-semibold">Left out, since nobody watches there:</p>
              <ul className="list-disc pl-5">
                {handed.left.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </div>
          )}
          <a
            href={`/api/clients/${client}/own-pages/${handed.page}/file.html`}
            download
            className="inline-flex min-h-10 items-center gap-2 rounded-md border border-line bg-card px-3 text-[0.9375rem] font-semibold hover:border-ink"
          >
            <FileDown size={18} aria-hidden /> Save the file ({Math.round(handed.bytes / 1000)} kB)
          </a>
          <p className="text-[0.9375rem]">Send it by any means that {name} has; it opens in the browser of a phone.</p>
          {handed.addresses.length > 1 && (
            <SelectField
              label="Address of this machine"
              value={address ?? ''}
              options={handed.addresses.map((each) => [each, each] as const)}
              onChange={setAddress}
            />
          )}
          <div className="flex flex-wrap items-start gap-4">
            {isServed && <QRCodeSVG value={link} size={200} marginSize={2} title="Link as a picture to scan" />}
            <div className="min-w-0 flex-1 basis-60">
              <p className="font-semibold">Or its link, shown only now:</p>
              <p className="font-mono text-sm break-all select-all" data-link>
                {link}
              </p>
              <p className="text-sm text-faint">
                {isServed
                  ? 'It works on the studio’s network, while this machine is on. A phone that does not know the studio’s authority warns of the certificate: that is to be expected at this address and at no other. The file needs no certificate.'
                  : 'It works on this machine alone. To open it on a phone, start with --lan, or send the file.'}
              </p>
            </div>
          </div>
        </div>
      )}
    </section>
  );
}

function ReadBack({ name }: { name: string }) {
  const client = useClientId();
  const keep = usePages();
  const refresh = useLogChange();
  const [code, setCode] = useState('');
  const read = useMutation({
    mutationFn: (sealed: string) =>
      answer(api.POST('/clients/{client}/own-pages/returns', { params: { path: { client } }, body: { code: sealed } })),
    onSuccess: async ({ pages }) => {
      setCode('');
      await keep(pages);
      refresh();
    },
  });
  return (
    <section aria-label="Bring back" className="space-y-3 rounded-lg border border-line bg-card p-4">
      <h2 className="text-xl font-bold">What {name} brings back</h2>
      <p>It becomes a log of {name}’s own, its form unchecked. Pain in it counts like any other.</p>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          read.mutate(code);
        }}
      >
        <TextField
          label="Code, as it is read out"
          className="min-w-0 flex-1 basis-60"
          autoComplete="off"
          value={code}
          onChange={setCode}
        />
        <Button type="submit" disabled={code.trim() === '' || read.isPending}>
          Take it in
        </Button>
      </form>
      <FileIn
        label="Read a file"
        name="own-return"
        accept="application/json,.json"
        pieces="sessions"
        read={(text) => read.mutateAsync(codeIn(text))}
        onDone={() => undefined}
      />
      <p role="status" className="font-semibold empty:hidden">
        {read.data?.words}
      </p>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {read.error?.message}
      </p>
    </section>
  );
}

/** What a file of a client's page carries; a file of anything else is sent as it is, and refused. */
function codeIn(text: string): string {
  try {
    const file = JSON.parse(text) as { code?: unknown };
    return typeof file.code === 'string' ? file.code : text.slice(0, 100);
  } catch {
    return text.slice(0, 100);
  }
}

function Pages({ pages }: { pages: Schemas['OwnPages']['pages'] }) {
  const client = useClientId();
  const keep = usePages();
  const withdraw = useMutation({
    mutationFn: (page: string) =>
      answer(api.POST('/clients/{client}/own-pages/{page}/withdraw', { params: { path: { client, page } } })),
    onSuccess: (answered) => keep(answered.pages),
  });
  if (pages.length === 0) return null;
  return (
    <section aria-label="Handed out" className="rounded-lg border border-line bg-card p-4">
      <h2 className="text-xl font-bold">Handed out</h2>
      <ul>
        {pages.map((page) => (
          <li
            key={page.id}
            className="flex flex-wrap items-center gap-x-3 border-t border-line py-1.5 text-[0.9375rem]"
          >
            <span className="min-w-0 flex-1 basis-60">
              <b>{page.title}</b>, made {longDate(page.made)},{' '}
              {page.ended ? `ended ${longDate(page.until)}` : `works until ${longDate(page.until)}`}
              {page.sessions !== null && `, ${page.back} of ${page.sessions} back`}
              <span className="block text-faint">
                {page.looks === 0 || page.seen === null
                  ? 'link not opened yet'
                  : `link opened ${page.looks === 1 ? 'once' : `${page.looks} times`}, last ${moment(page.seen)}`}
                {page.saved !== null && `; saved as a file ${moment(page.saved)}`}
                {page.withdrawn !== null && `; withdrawn ${moment(page.withdrawn)}`}
              </span>
            </span>
            {page.withdrawn === null && !page.ended && (
              <TwoTaps
                name="Withdraw"
                onSure={() => {
                  withdraw.mutate(page.id);
                }}
              />
            )}
          </li>
        ))}
      </ul>
      <p className="text-sm text-faint">
        A link that is withdrawn opens nothing; a file that was saved stays where it is.
      </p>
    </section>
  );
}
