import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, ApiError, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { CloseDialog, Dialog } from '../../ui/Dialog';
import { Tick, toggled } from '../../ui/Field';
import { useClients } from '../../parts/client/useClients';
import { Changes } from '../../parts/findings/Changes';

type Sent = Schemas['AuditWholeRequest']['program'];

interface One {
  id: string;
  name: string;
  page?: Schemas['AuditPage'];
  failed?: string;
  begun?: boolean;
}

const why = (error: unknown) =>
  error instanceof ApiError || error instanceof Error ? error.message : 'It did not work.';

/** One handout at the rungs of several people at once, side by side, and begun with each of them. */
export function FitGroup({ program }: { program: Sent }) {
  const clients = useClients();
  const queries = useQueryClient();
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<string[]>([]);
  const [made, setMade] = useState<One[]>([]);
  const fit = useMutation({
    mutationFn: async () => {
      const done: One[] = [];
      for (const { id, name } of (clients.data?.clients ?? []).filter((each) => chosen.includes(each.id))) {
        try {
          done.push({ id, name, page: await answer(api.POST('/audit/fit', { body: { program, client: id } })) });
        } catch (error) {
          done.push({ id, name, failed: why(error) });
        }
        setMade([...done]);
      }
    },
  });
  const begin = useMutation({
    mutationFn: async () => {
      for (const { id, page, begun } of made) {
        if (page === undefined || begun === true) continue;
        const put = (more: Partial<One>) => {
          setMade((all) => all.map((each) => (each.id === id ? { ...each, ...more } : each)));
        };
        try {
          const board = await answer(api.GET('/clients/{client}/board', { params: { path: { client: id } } }));
          await answer(
            api.POST('/clients/{client}/programs/take', {
              params: { path: { client: id } },
              body: { version: board.version, program: page.program },
            }),
          );
          put({ begun: true });
          void queries.invalidateQueries({ queryKey: ['board', id] });
          void queries.invalidateQueries({ queryKey: ['programs', id] });
        } catch (error) {
          put({ failed: why(error) });
        }
      }
    },
  });
  const busy = fit.isPending || begin.isPending;
  const ready = made.filter((each) => each.page !== undefined && each.begun !== true && each.failed === undefined);
  return (
    <Dialog
      wide
      title="Fit to a group"
      open={open}
      onOpenChange={(is) => {
        setOpen(is);
        setMade([]);
      }}
      trigger={<Button>Fit to a group …</Button>}
    >
      <div className="flex flex-wrap gap-x-5">
        {clients.data?.clients.map((each) => (
          <Tick
            key={each.id}
            label={each.name}
            checked={chosen.includes(each.id)}
            onChange={(on) => {
              setChosen(toggled(chosen, each.id, on));
              setMade([]);
            }}
          />
        ))}
      </div>
      <div className="my-2 flex flex-wrap items-center gap-2">
        <Button
          look={ready.length === 0 ? 'act' : 'plain'}
          disabled={busy || chosen.length === 0}
          onClick={() => {
            fit.mutate();
          }}
        >
          {fit.isPending
            ? `Fitting ${made.length + 1} of ${chosen.length} …`
            : chosen.length === 1
              ? 'Fit to one person'
              : `Fit to ${chosen.length} people`}
        </Button>
        {ready.length > 0 && (
          <Button
            look="act"
            disabled={busy}
            onClick={() => {
              begin.mutate();
            }}
          >
            {begin.isPending
              ? `Beginning, ${ready.length} to go …`
              : `Begin it with ${ready.length === 1 ? 'this one' : `these ${ready.length}`}`}
          </Button>
        )}
        <CloseDialog>
          <Button look="quiet">Close</Button>
        </CloseDialog>
      </div>
      <div className="grid gap-4 md:grid-cols-2 lg:grid-cols-3">
        {made.map((each) => (
          <section key={each.id} aria-label={each.name} className="rounded-lg border border-line p-3">
            <h3 className="font-bold">
              {each.name}
              {each.page !== undefined && (
                <span className="ml-2 font-normal text-faint">{each.page.total.text} min</span>
              )}
            </h3>
            {each.begun === true && <p className="font-semibold">Begun; Undo on their page takes it back.</p>}
            <p role="alert" className="font-semibold text-warn empty:hidden">
              {each.failed}
            </p>
            {each.page !== undefined && (
              <>
                <p className="text-[0.9375rem] text-faint">
                  {each.page.changes?.length === 0 ? 'Fitted as it was.' : `${each.page.changes?.length ?? 0} changes`}
                </p>
                <Changes changes={each.page.changes ?? []} />
              </>
            )}
          </section>
        ))}
      </div>
    </Dialog>
  );
}
