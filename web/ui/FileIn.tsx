import { useMutation } from '@tanstack/react-query';
import { Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { ApiError, type Progress } from '../api/client';
import { Button } from './Button';

const MOST_SHOWN = 8;

/** Takes a file in, in pieces: how far it came, a way to give it up, and what was wrong. All of a file is kept, or nothing of it. */
export function FileIn<T>({
  label,
  name,
  accept,
  pieces,
  read,
  onDone,
  said,
}: {
  label: string;
  name: string;
  accept: string;
  /** what the file is taken in by, such as logs */
  pieces: string;
  read: (text: string, signal: AbortSignal, onProgress: (progress: Progress) => void) => Promise<T>;
  onDone: (result: T) => unknown;
  said?: (result: T) => string;
}) {
  const picker = useRef<HTMLInputElement>(null);
  const [running, setRunning] = useState<AbortController | null>(null);
  const [progress, setProgress] = useState<Progress | null>(null);
  const [givenUp, setGivenUp] = useState(false);
  const reading = useMutation({
    mutationFn: async (file: File) => {
      const stop = new AbortController();
      setRunning(stop);
      setProgress(null);
      setGivenUp(false);
      try {
        return await read(await file.text(), stop.signal, setProgress);
      } catch (error) {
        setGivenUp(stop.signal.aborted);
        throw error;
      }
    },
    onSuccess: onDone,
  });
  const problems = reading.error instanceof ApiError ? reading.error.problem.errors.slice(0, MOST_SHOWN) : [];
  return (
    <div className="flex flex-wrap items-center gap-2 text-base font-normal">
      <input
        ref={picker}
        type="file"
        name={name}
        accept={accept}
        className="sr-only"
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file !== undefined) reading.mutate(file);
          event.target.value = '';
        }}
      />
      <Button
        disabled={reading.isPending}
        onClick={() => {
          picker.current?.click();
        }}
      >
        <Upload size={16} aria-hidden /> {label}
      </Button>
      {reading.isPending && (
        <>
          <progress aria-label={label} className="w-32 accent-act" value={progress?.done} max={progress?.of} />
          <span role="status">{progress === null ? 'Reading …' : `${progress.done} of ${progress.of} ${pieces}`}</span>
          <Button
            onClick={() => {
              running?.abort();
            }}
          >
            Give up
          </Button>
        </>
      )}
      {reading.isSuccess && said !== undefined && <span role="status">{said(reading.data)}</span>}
      {reading.isError && givenUp && <span role="status">Stopped. Nothing of the file was kept.</span>}
      {reading.isError && !givenUp && (
        <div role="alert" className="w-full font-semibold text-warn">
          <p>Nothing of the file was kept. {problems.length === 0 ? reading.error.message : ''}</p>
          {problems.map((each) => (
            <p key={`${each.path}${each.message}`}>
              {each.path}: {each.message}
            </p>
          ))}
        </div>
      )}
    </div>
  );
}
