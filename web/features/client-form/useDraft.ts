import { useState } from 'react';
import { draftKey } from '../../lib/device';
import { emptyDocument, type ClientDocument } from '../../parts/client/document';
import type { Safety } from '../../parts/screen/safety';

interface Draft {
  version: number;
  document: ClientDocument;
  /** the screen while it is being asked */
  safety?: Safety;
}

function read(key: string): Draft | null {
  try {
    const kept = localStorage.getItem(key);
    return kept === null ? null : (JSON.parse(kept) as Draft);
  } catch {
    return null;
  }
}

/** A form's entries, kept on this device until they are saved or given up: a reload or an ended session loses nothing. */
export function useDraft(client: string | undefined, saved: Draft | undefined) {
  const key = draftKey(`client:${client ?? 'new'}`);
  const [draft, setDraft] = useState<Draft | null>(() => read(key));
  const base = saved ?? { version: 0, document: emptyDocument };
  const current = draft ?? base;

  function keep(next: Draft) {
    setDraft(next);
    localStorage.setItem(key, JSON.stringify(next));
  }

  return {
    document: current.document,
    version: current.version,
    safety: current.safety,
    isChanged: draft !== null,
    change: (document: ClientDocument, safety: Safety | undefined = current.safety) => {
      keep({ ...current, document, ...(safety === undefined ? {} : { safety }) });
    },
    /** Puts my entries on top of a newer version. */
    rebase: (version: number) => {
      keep({ ...current, version });
    },
    drop: () => {
      setDraft(null);
      localStorage.removeItem(key);
    },
  };
}
