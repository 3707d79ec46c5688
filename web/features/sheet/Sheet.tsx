import { FileDown, Printer } from 'lucide-react';
import { useRef } from 'react';
import { useBoard, useClientId } from '../../parts/board/useBoard';
import { ProgramFiles } from '../../parts/plan/ProgramFiles';
import { ChooseWeek } from '../../parts/week/ChooseWeek';
import { useWeek } from '../../parts/week/useWeek';
import { useMay } from '../../lib/session';
import { Button } from '../../ui/Button';
import { Notice, Waiting } from '../../ui/Notice';
import { PaperFrame } from './PaperFrame';
import { sheetAddress, useSheet } from './queries';
import { SheetFields, useSheetChoice } from './SheetFields';
import { Ways } from './Ways';

/** A week for the client to take home, on paper or as a file. */
export function Sheet() {
  const client = useClientId();
  const board = useBoard();
  const isTrainer = useMay('trainer');
  const at = useWeek();
  const [choice, setChoice] = useSheetChoice();
  const frame = useRef<HTMLIFrameElement>(null);
  const sheet = useSheet(client, board.data?.version, at.number, choice);
  if (board.data === undefined || at.isPending) return <Waiting what="the week" />;
  if (at.week === null) return <p>No week is planned, so there is nothing to take home.</p>;
  if (sheet.isError) return <Notice title={sheet.error.message} />;
  if (sheet.data === undefined) return <Waiting what="the sheet" />;
  const { pages, detail } = sheet.data;
  const wanted = sheetAddress(at.number, choice, detail, board.data.version);
  return (
    <div>
      {isTrainer && <Ways />}
      <div className="mb-3 space-y-3">
        <div className="flex flex-wrap items-center gap-3">
          <Button
            look="act"
            onClick={() => {
              frame.current?.contentWindow?.print();
            }}
          >
            <Printer size={18} aria-hidden /> Print
          </Button>
          <a
            href={`/api/clients/${client}/sheet.pdf?${wanted}`}
            download
            className="inline-flex min-h-10 items-center gap-2 rounded-md border border-line bg-card px-3 text-[0.9375rem] font-semibold hover:border-ink"
          >
            <FileDown size={18} aria-hidden /> Save as PDF
          </a>
          <ProgramFiles client={client} what={`Week ${at.number}`} week={at.number} />
          <ChooseWeek at={at} />
          <p role="status" className="text-faint">
            {pages === 1 ? 'One page' : `${pages} pages`} on paper
            {pages > choice.pages && choice.size === 'usual' && ': so much does not fit on fewer'}
            {sheet.isPlaceholderData && ' …'}
          </p>
        </div>
        <SheetFields choice={choice} onChange={setChoice} />
      </div>
      <PaperFrame frame={frame} title="The sheet" src={`/api/clients/${client}/sheet.html?${wanted}`} />
    </div>
  );
}
