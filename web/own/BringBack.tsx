import { QRCodeSVG } from 'qrcode.react';
import { useState } from 'react';
import { FileDown, Send } from 'lucide-react';
import { saveFile } from '../lib/saveFile';
import { Button } from '../ui/Button';
import { typed, whole } from './code';
import { own, seal } from './document';
import { change, type Kept } from './kept';

const isLinked = window.location.protocol.startsWith('http');

/** The ways back to the studio: over its network, as a file, or as a code. */
export function BringBack({ done, session }: { done: Kept['done'][number]; session: number }) {
  const [said, setSaid] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const code = whole(done.back, seal);
  const address = `${seal.at}/bring-back#${code}`;

  const send = async () => {
    setBusy(true);
    try {
      const response = await fetch('/api/own/returns', {
        method: 'POST',
        // it is known by its seal, whoever is signed in on this device
        credentials: 'omit',
        headers: { 'Content-Type': 'application/json', Accept: 'application/json' },
        body: JSON.stringify({ code }),
      });
      const body = (await response.json()) as { words?: string; title?: string; errors?: { message: string }[] };
      setSaid(body.words ?? body.errors?.[0]?.message ?? body.title ?? 'The studio did not take it.');
      if (response.ok) {
        change((all) => ({ ...all, done: { ...all.done, [session]: { ...done, sent: true } } }));
      }
    } catch {
      setSaid('The studio does not answer here. Hand it back as a file, or read the code out.');
    } finally {
      setBusy(false);
    }
  };
  const save = () => {
    const file = { format: 'even-rungs/home-return', version: 1, code };
    saveFile(JSON.stringify(file), 'application/json', `${own.first}-${done.on}.json`);
  };
  return (
    <section aria-label="Bring it back" className="space-y-3">
      <p className="text-lg">
        {done.sent
          ? 'The studio has it.'
          : `${own.studio} knows nothing of it yet. Bring it back in one of these ways:`}
      </p>
      {isLinked && !done.sent && (
        <Button look="act" className="min-h-12 w-full text-lg" disabled={busy} onClick={() => void send()}>
          <Send size={20} aria-hidden /> Send it to the studio
        </Button>
      )}
      <p role="status" className="font-semibold empty:hidden">
        {said}
      </p>
      {!isLinked && seal.at !== '' && (
        <div>
          <a
            href={address}
            target="_blank"
            rel="noreferrer"
            className="inline-flex min-h-12 w-full items-center justify-center gap-2 rounded-md border border-act bg-act px-3 text-lg font-semibold text-on-act"
          >
            <Send size={20} aria-hidden /> Send it on the studio’s network
          </a>
          <p className="mt-1 text-sm text-faint">
            The browser may warn that it does not know who vouches for {seal.at}. Go on only where you are in the studio
            and that is the address. The file and the code below need none of this.
          </p>
        </div>
      )}
      <Button className="min-h-12 w-full text-lg" onClick={save}>
        <FileDown size={20} aria-hidden /> Save it as a file
      </Button>
      <details className="rounded-md border border-line p-2">
        <summary className="min-h-8 text-lg font-semibold">Read out a code</summary>
        <p className="my-2 font-mono text-xl leading-relaxed font-bold break-words select-all" data-code>
          {typed(done.back, seal)}
        </p>
        {done.back.word !== '' && <p className="text-sm text-faint">Your words are not in it; the file has them.</p>}
        {seal.at !== '' && (
          <figure className="my-2">
            <QRCodeSVG value={address} size={240} marginSize={2} className="mx-auto" />
            <figcaption className="text-center text-sm text-faint">To be scanned on the studio’s network</figcaption>
          </figure>
        )}
      </details>
    </section>
  );
}
