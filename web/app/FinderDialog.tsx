import { Dialog } from '../ui/Dialog';
import { Choices } from './Choices';

/** The window of the finder. */
export default function FinderDialog({ onOpenChange }: { onOpenChange: (open: boolean) => void }) {
  return (
    <Dialog title="Find" open onOpenChange={onOpenChange}>
      <Choices
        onDone={() => {
          onOpenChange(false);
        }}
      />
    </Dialog>
  );
}
