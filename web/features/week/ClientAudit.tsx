import { useState } from 'react';
import { Button } from '../../ui/Button';
import { CloseDialog, Dialog } from '../../ui/Dialog';
import { Notice, Waiting } from '../../ui/Notice';
import { counted } from '../../parts/findings/counted';
import { Findings } from '../../parts/findings/Findings';
import { useBoard, useBoardChange, useClientId } from '../../parts/board/useBoard';
import { mendAll, mendFinding } from './changes';
import { useAuditOfProgram, useWouldMend } from './queries';

/** The audit of the program in use; it follows every save. */
export function ClientAudit() {
  const client = useClientId();
  const board = useBoard();
  const command = useBoardChange();
  const audit = useAuditOfProgram(client, board.data);
  if (audit.data === undefined) {
    return (
      <p role="status" className="min-h-12.5 rounded-lg border border-line bg-card px-4 py-2 font-semibold">
        {audit.isError ? audit.error.message : 'Looking the week over …'}
      </p>
    );
  }
  const { findings } = audit.data;
  const isOpen = findings.some((each) => each.severity !== 'note');
  return (
    <details className="rounded-lg border border-line bg-card px-4 py-2" open={isOpen}>
      <summary className="min-h-8 cursor-pointer font-semibold">
        Audit: {findings.length === 0 ? 'nothing found' : counted(findings)}
      </summary>
      <Findings
        findings={findings}
        busy={command.isPending}
        onFix={(finding) => {
          command.mutate(mendFinding(finding.rule, finding.where));
        }}
      />
      {findings.some((each) => each.change !== null) && <MendAll />}
    </details>
  );
}

/** Every fix that helps, seen before it is made. */
function MendAll() {
  const client = useClientId();
  const board = useBoard();
  const command = useBoardChange();
  const [open, setOpen] = useState(false);
  const would = useWouldMend(client, board.data, open);
  return (
    <Dialog title="Mend all" open={open} onOpenChange={setOpen} trigger={<Button className="mt-2">Mend all …</Button>}>
      {would.isError && <Notice title={would.error.message} />}
      {would.data === undefined ? (
        !would.isError && <Waiting what="the fixes" />
      ) : (
        <>
          <ol className="my-2 list-decimal overflow-y-auto pl-6">
            {would.data.would.map((line, i) => (
              <li key={`${i} ${line}`} className="py-0.5">
                {line}
              </li>
            ))}
          </ol>
          <p className="mb-2 text-faint">One after the other, and undone in one step.</p>
          <div className="flex flex-wrap gap-2">
            <Button
              look="act"
              disabled={command.isPending || would.data.would.length === 0}
              onClick={() => {
                command.mutate(mendAll(), {
                  onSuccess: () => {
                    setOpen(false);
                  },
                });
              }}
            >
              {would.data.would.length === 1 ? 'Make this change' : `Make these ${would.data.would.length} changes`}
            </Button>
            <CloseDialog>
              <Button look="quiet">Cancel</Button>
            </CloseDialog>
          </div>
          <p role="alert" className="font-semibold text-warn empty:hidden">
            {command.error?.message}
          </p>
        </>
      )}
    </Dialog>
  );
}
