import { counted } from '../../parts/findings/counted';
import { Findings } from '../../parts/findings/Findings';
import { useBoard, useBoardChange, useClientId } from '../../parts/board/useBoard';
import { mendFinding } from './changes';
import { useAuditOfProgram } from './queries';

/** The audit of the program in use; it follows every save. */
export function ClientAudit() {
  const client = useClientId();
  const board = useBoard();
  const command = useBoardChange();
  const audit = useAuditOfProgram(client, board.data);
  if (audit.data === undefined) return null;
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
    </details>
  );
}
