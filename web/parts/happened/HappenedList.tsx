import { useInfiniteQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { answer, api } from '../../api/client';
import { moment } from '../../lib/dates';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';

/** What happened, newest first: of a client, or of the whole studio. */
export function HappenedList({ client, exported = true }: { client?: string; exported?: boolean }) {
  const [who, setWho] = useState('');
  const [typed, setTyped] = useState('');
  const words = useDeferredValue(typed);
  const query = { ...(who === '' ? {} : { who }), ...(words.trim() === '' ? {} : { words }) };
  const pages = useInfiniteQuery({
    queryKey: ['happened', client ?? 'studio', who, words],
    queryFn: ({ pageParam }) => {
      const asked = { ...query, ...(pageParam === 0 ? {} : { before: pageParam }) };
      return answer(
        client === undefined
          ? api.GET('/happened', { params: { query: asked } })
          : api.GET('/clients/{client}/happened', { params: { path: { client }, query: asked } }),
      );
    },
    initialPageParam: 0,
    getNextPageParam: (last) => (last.more ? last.events[last.events.length - 1]?.id : undefined),
    refetchOnMount: 'always',
    placeholderData: (before) => before,
  });
  if (pages.isPending) return <Waiting what="what happened" />;
  if (pages.isError) return <Notice title={pages.error.message} />;
  const events = pages.data.pages.flatMap((page) => page.events);
  const address = `/api${client === undefined ? '' : `/clients/${client}`}/happened.csv?${new URLSearchParams(query).toString()}`;
  return (
    <section aria-label="What happened">
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="mr-auto text-lg font-bold">What happened</h2>
        <SelectField
          label="Who"
          value={who}
          className="w-44"
          options={[
            ['', 'everybody'],
            ...(pages.data.pages[0]?.people ?? []).map((each) => [each.id, each.name] as const),
          ]}
          onChange={setWho}
        />
        <TextField label="With the words" name="words" className="w-48" value={typed} onChange={setTyped} />
        {exported && (
          <a
            href={address}
            download
            className="inline-flex min-h-10 items-center rounded-md border border-line bg-card px-3 font-semibold"
          >
            As a table (CSV)
          </a>
        )}
      </div>
      {events.length === 0 && (
        <p className="mt-3">{who === '' && typed === '' ? 'Nothing yet.' : 'Nothing of this kind.'}</p>
      )}
      <ol className="mt-2">
        {events.map((each) => (
          <li
            key={each.id}
            className="grid gap-x-4 border-b border-line py-1.5 sm:grid-cols-[11rem_10rem_minmax(0,1fr)]"
          >
            <span className="text-faint">{moment(each.at)}</span>
            <span>
              {each.who ?? (each.client === null ? 'from the machine’s shell' : 'over the client’s own page')}
            </span>
            <span>
              <b>{each.act}</b>
              {each.detail !== null && <>: {each.detail}</>}
              {client === undefined && each.client !== null && (
                <>
                  {' · '}
                  <Link to={`/clients/${each.client.id}`} className="underline underline-offset-4">
                    {each.client.name}
                  </Link>
                </>
              )}
            </span>
          </li>
        ))}
      </ol>
      {pages.hasNextPage && (
        <Button
          className="mt-3"
          disabled={pages.isFetchingNextPage}
          onClick={() => {
            void pages.fetchNextPage();
          }}
        >
          Earlier
        </Button>
      )}
    </section>
  );
}
