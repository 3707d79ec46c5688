import { Copy } from 'lucide-react';
import { useState } from 'react';
import { isConflict } from '../../api/client';
import { Button } from '../../ui/Button';
import { CloseDialog, Dialog } from '../../ui/Dialog';
import { SelectField } from '../../ui/Field';
import { Waiting } from '../../ui/Notice';
import { useBoard, useBoardChange, useClientId } from '../../parts/board/useBoard';
import { usePrograms } from './usePrograms';
import { copyProgram } from './changes';
import { useClients } from '../../parts/client/useClients';
import { Changes } from '../../parts/findings/Changes';
import { useCopyCheck } from './queries';

/** Takes another client's program over, with this client's limits, and shows every change before it is made. */
export function CopyDialog({ disabled }: { disabled: boolean }) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog
      title="Copy a program from another client"
      open={open}
      onOpenChange={setOpen}
      trigger={
        <Button disabled={disabled}>
          <Copy size={18} aria-hidden /> Copy from another client
        </Button>
      }
    >
      <Choose
        onDone={() => {
          setOpen(false);
        }}
      />
    </Dialog>
  );
}

function Choose({ onDone }: { onDone: () => void }) {
  const client = useClientId();
  const board = useBoard();
  const command = useBoardChange();
  const clients = useClients();
  const others = clients.data?.clients.filter((each) => each.id !== client) ?? [];
  const [from, setFrom] = useState('');
  const [program, setProgram] = useState('');
  const programs = usePrograms(from);
  const list = from === '' ? [] : (programs.data?.programs ?? []);
  const chosen = program === '' ? (list.find((each) => each.current)?.id ?? list[0]?.id ?? '') : program;
  const check = useCopyCheck(client, board.data?.version, from, chosen);
  return (
    <>
      <div className="my-2 grid gap-3 sm:grid-cols-2">
        <SelectField
          label="Client"
          value={from}
          options={[['', 'choose …'], ...others.map((each) => [each.id, each.name] as const)]}
          onChange={(id) => {
            setFrom(id);
            setProgram('');
          }}
        />
        {list.length > 0 && (
          <SelectField
            label="Program"
            value={chosen}
            options={list.map((each) => [each.id, each.title] as const)}
            onChange={setProgram}
          />
        )}
      </div>
      {from !== '' && programs.isSuccess && list.length === 0 && <p>This client has no program.</p>}
      {check.isLoading && <Waiting what="what would change" />}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {check.error?.message ?? (isConflict(command.error) ? null : command.error?.message)}
      </p>
      {check.data !== undefined && (
        <div className="min-h-0 flex-1 overflow-y-auto">
          <p className="font-semibold">
            {check.data.changes.length === 0
              ? 'All of it fits this client as it is.'
              : `${check.data.changes.length} ${check.data.changes.length === 1 ? 'thing changes' : 'things change'} for ${board.data?.client.name ?? 'this client'}:`}
          </p>
          <Changes changes={check.data.changes} />
          {check.data.week?.gaps.map((gap) => (
            <p key={gap.category} className="mt-1 text-warn">
              <b>{gap.name}:</b> {gap.why}
            </p>
          ))}
        </div>
      )}
      <div className="flex justify-end gap-2 pt-2">
        <CloseDialog>
          <Button look="quiet">Cancel</Button>
        </CloseDialog>
        <Button
          look="act"
          disabled={check.data === undefined || command.isPending}
          onClick={() => {
            command.mutate(copyProgram(from, chosen), { onSuccess: onDone });
          }}
        >
          Begin this program
        </Button>
      </div>
    </>
  );
}
