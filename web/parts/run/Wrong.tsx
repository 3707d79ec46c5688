import { useEffect, useState } from 'react';
import { TextField } from '../../ui/Field';
import { sendIncidents, writeIncident } from './incidents';
import { Choice } from './answers';
import { StopScreen } from './StopScreen';

/** Something is wrong: what this studio does now, with every clock standing; with whom and what was done goes into the record. */
export function Wrong({
  people,
  steps,
  onClose,
}: {
  people: readonly { client: string; name: string }[];
  steps: readonly string[];
  onClose: () => void;
}) {
  const [client, setClient] = useState(people.length === 1 ? people[0]?.client : undefined);
  const [what, setWhat] = useState('');
  const [done, setDone] = useState('');
  useEffect(() => {
    void sendIncidents();
  }, []);
  const answered = client !== undefined || what !== '' || done !== '';
  function write() {
    writeIncident({
      ...(client === undefined || client === '' ? {} : { client }),
      ...(what === '' ? {} : { what }),
      ...(done === '' ? {} : { done }),
    });
    onClose();
  }
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.key === 'Escape' && answered) write();
    };
    window.addEventListener('keydown', press);
    return () => {
      window.removeEventListener('keydown', press);
    };
  });
  return (
    <StopScreen
      title="Something is wrong"
      words="Every clock stands."
      steps={steps}
      answers={[
        { label: 'Write it into the record', busy: !answered, act: write },
        { label: 'It was nothing: back, clocks stand', busy: false, act: onClose },
      ]}
    >
      <div role="group" aria-label="With whom" className="flex flex-wrap gap-1.5">
        {[...people, { client: '', name: 'Nobody of them' }].map((each) => (
          <Choice
            key={each.client}
            on={client === each.client}
            onChange={(on) => {
              setClient(on ? each.client : undefined);
            }}
          >
            {each.name}
          </Choice>
        ))}
      </div>
      <div className="mt-2 grid gap-2 sm:grid-cols-2">
        <TextField label="What happened" name="what" maxLength={140} value={what} onChange={setWhat} />
        <TextField label="What was done" name="done" maxLength={120} value={done} onChange={setDone} />
      </div>
    </StopScreen>
  );
}
