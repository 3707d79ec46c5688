import { Camera as Picture, Video } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { deviceCamera, studioCamera, type Camera } from './camera';
import { useStudioCamera } from './queries';

/** Chooses what looks: the device's camera, or the studio's where it has one. */
export function Cameras({ onChoose }: { onChoose: (camera: Camera, isSimulated: boolean) => void }) {
  const { name: studio = null, simulated = false } = useStudioCamera().data ?? {};
  const [problem, setProblem] = useState<string | null>(null);
  const [asks, setAsks] = useState(false);
  return (
    <>
      <Button
        className="min-h-11"
        disabled={asks}
        onClick={() => {
          setAsks(true);
          setProblem(null);
          deviceCamera()
            .then(
              (camera) => {
                onChoose(camera, false);
              },
              (error: unknown) => {
                setProblem(error instanceof Error ? error.message : 'The camera does not answer.');
              },
            )
            .finally(() => {
              setAsks(false);
            });
        }}
      >
        <Picture size={18} aria-hidden /> Camera
      </Button>
      {studio !== null && (
        <Button
          className="min-h-11"
          onClick={() => {
            onChoose(studioCamera(studio), simulated);
          }}
        >
          <Video size={18} aria-hidden /> {studio}
        </Button>
      )}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {problem}
      </p>
    </>
  );
}
