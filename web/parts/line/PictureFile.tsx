import { ImageUp } from 'lucide-react';
import { useRef } from 'react';
import { Button } from '../../ui/Button';

/** Takes a picture from a file of this device, or from its camera's own program. */
export function PictureFile({ onPick }: { onPick: (file: File) => void }) {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={picker}
        type="file"
        name="picture"
        accept="image/*"
        className="sr-only"
        aria-label="Picture from a file"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file !== undefined) onPick(file);
          event.target.value = '';
        }}
      />
      <Button
        className="min-h-11"
        onClick={() => {
          picker.current?.click();
        }}
      >
        <ImageUp size={18} aria-hidden /> From a file
      </Button>
    </>
  );
}
