import { Search } from 'lucide-react';
import { lazy, Suspense, useEffect, useState } from 'react';
import { Button } from '../ui/Button';

const load = () => import('./FinderDialog');
const FinderDialog = lazy(load);

/** Where something is: a button, or Ctrl K. Its window is loaded when somebody goes for it. */
export function Finder() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== 'k' || !(event.ctrlKey || event.metaKey) || event.altKey) return;
      event.preventDefault();
      setOpen((before) => !before);
    };
    window.addEventListener('keydown', press);
    return () => {
      window.removeEventListener('keydown', press);
    };
  }, []);
  return (
    <>
      <Button
        look="quiet"
        aria-label="Find (Ctrl K)"
        title="Find (Ctrl K)"
        aria-haspopup="dialog"
        aria-expanded={open}
        onPointerEnter={() => void load()}
        onClick={() => {
          setOpen(true);
        }}
      >
        <Search size={20} aria-hidden />
      </Button>
      <Suspense fallback={null}>{open && <FinderDialog onOpenChange={setOpen} />}</Suspense>
    </>
  );
}
