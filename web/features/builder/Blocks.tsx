import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ArrowDown, ArrowUp, GripVertical, X } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { Why } from '../../ui/Why';
import { RungPicker } from '../../parts/rungs/RungPicker';
import { useTeach } from '../../parts/rungs/useRungs';
import {
  asStraight,
  moveBlock,
  moveEntry,
  nudgeEntry,
  withoutBlock,
  withoutEntry,
  withRest,
  type Place,
} from './session';
import type { BuiltSession, useBuilder } from './useBuilder';

type Tools = ReturnType<typeof useBuilder>;
type BenchBlock = BuiltSession['blocks'][number];
type BuiltEntry = BenchBlock['entries'][number];

const idOf = (place: Place) => `${place.block}:${place.entry}`;

function placeOf(id: string | number): Place {
  const [block = 0, entry = 0] = String(id).split(':').map(Number);
  return { block, entry };
}

/** The blocks of a session: moved by dragging, by keyboard or with plain buttons, doses typed where they stand. */
export function Blocks({ tools, blocks }: { tools: Tools; blocks: BenchBlock[] }) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => {
        if (over === null || active.id === over.id) return;
        tools.set(moveEntry(tools.session, placeOf(active.id), placeOf(over.id)));
      }}
    >
      <div className="space-y-4">
        {blocks.map((block, b) => (
          <BlockCard key={b} block={block} place={b} count={blocks.length} tools={tools} />
        ))}
      </div>
    </DndContext>
  );
}

function BlockCard({ block, place, count, tools }: { block: BenchBlock; place: number; count: number; tools: Tools }) {
  const { session } = tools;
  const busy = tools.change.isPending;
  const raw = session.blocks[place];
  return (
    <section aria-label={`Block ${place + 1}`} className="rounded-lg border border-line bg-card">
      <header className="flex flex-wrap items-center gap-2 border-b border-line px-3 py-1.5">
        <h3 className="font-bold">
          {block.type === 'circuit' ? 'Circuit' : block.type === 'rest' ? 'Rest' : 'Straight sets'}
        </h3>
        {block.type === 'circuit' && block.line !== null && (
          <LineEdit
            label={`Rounds of block ${place + 1}`}
            text={block.line}
            hint="3 rounds, or 3 rounds 50:25 for work and rest in seconds"
            tools={tools}
            onSave={(text, done) => {
              tools.change.mutate({ do: 'rounds', block: place, text }, { onSuccess: done });
            }}
          />
        )}
        {block.type === 'rest' && raw?.type === 'rest' && (
          <label className="flex items-center gap-1">
            <span className="sr-only">Rest of block {place + 1}</span>
            <input
              type="number"
              min={0}
              max={3600}
              className="w-24 rounded-md border border-wood bg-card px-2 py-1"
              value={raw.rest_s}
              onChange={(event) => {
                tools.set(withRest(session, place, Math.max(0, Math.min(3600, Number(event.target.value)))));
              }}
            />{' '}
            s
          </label>
        )}
        <span className="ml-auto font-semibold">{block.total.text}</span>
        {block.type === 'straight' && (
          <Button
            disabled={busy}
            onClick={() => {
              tools.change.mutate({ do: 'rounds', block: place, text: '2 rounds' });
            }}
          >
            As a circuit
          </Button>
        )}
        {block.type === 'circuit' && (
          <Button
            onClick={() => {
              tools.set(asStraight(session, place));
            }}
          >
            As straight sets
          </Button>
        )}
        <Icon
          label={`Block ${place + 1} up`}
          disabled={place === 0}
          onClick={() => {
            tools.set(moveBlock(session, place, -1));
          }}
        >
          <ArrowUp size={18} aria-hidden />
        </Icon>
        <Icon
          label={`Block ${place + 1} down`}
          disabled={place === count - 1}
          onClick={() => {
            tools.set(moveBlock(session, place, 1));
          }}
        >
          <ArrowDown size={18} aria-hidden />
        </Icon>
        <Icon
          label={`Remove block ${place + 1}`}
          onClick={() => {
            tools.set(withoutBlock(session, place));
          }}
        >
          <X size={18} aria-hidden />
        </Icon>
      </header>
      {block.type !== 'rest' && (
        <>
          <SortableContext
            items={block.entries.map((_, e) => idOf({ block: place, entry: e }))}
            strategy={verticalListSortingStrategy}
          >
            <ul className="px-3">
              {block.entries.map((entry, e) => (
                <EntryRow key={e} entry={entry} place={{ block: place, entry: e }} tools={tools} />
              ))}
            </ul>
          </SortableContext>
          <Order block={block} place={place} tools={tools} />
          <div className="border-t border-line px-3 py-2">
            <RungPicker
              label={`Add to block ${place + 1}`}
              onPick={(rung) => {
                tools.change.mutate({ do: 'add', block: place, exercise: rung.id });
              }}
            />
          </div>
        </>
      )}
    </section>
  );
}

function Icon({
  label,
  disabled,
  onClick,
  children,
}: {
  label: string;
  disabled?: boolean;
  onClick: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      disabled={disabled}
      onClick={onClick}
      className="inline-flex size-9 shrink-0 items-center justify-center rounded-md border border-transparent text-faint hover:border-line hover:text-ink disabled:opacity-40"
    >
      {children}
    </button>
  );
}

function EntryRow({ entry, place, tools }: { entry: BuiltEntry; place: Place; tools: Tools }) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: idOf(place),
  });
  return (
    <li
      ref={setNodeRef}
      data-entry={entry.exercise}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`border-b border-line py-1.5 last:border-0 ${isDragging ? 'relative z-10 bg-paper shadow-lg' : ''}`}
    >
      <div className="flex items-center gap-1.5">
        <button
          ref={setActivatorNodeRef}
          type="button"
          {...attributes}
          {...listeners}
          aria-label={`Move ${entry.name}`}
          className="inline-flex size-9 shrink-0 cursor-grab touch-none items-center justify-center text-faint hover:text-ink"
        >
          <GripVertical size={18} aria-hidden />
        </button>
        <Code code={entry.category ?? '–'} />
        <span className="min-w-0 flex-1 leading-tight font-semibold">{entry.name}</span>
        <span className="text-faint">{entry.total.text}</span>
        <Icon
          label={`${entry.name} up`}
          onClick={() => {
            tools.set(nudgeEntry(tools.session, place, -1));
          }}
        >
          <ArrowUp size={16} aria-hidden />
        </Icon>
        <Icon
          label={`${entry.name} down`}
          onClick={() => {
            tools.set(nudgeEntry(tools.session, place, 1));
          }}
        >
          <ArrowDown size={16} aria-hidden />
        </Icon>
        <Icon
          label={`Remove ${entry.name}`}
          onClick={() => {
            tools.set(withoutEntry(tools.session, place));
          }}
        >
          <X size={16} aria-hidden />
        </Icon>
      </div>
      <div className="flex flex-wrap items-center gap-x-2 pl-11">
        <LineEdit
          label={`Dose of ${entry.name}`}
          text={entry.dose}
          start={entry.amount}
          kept={entry.kept}
          hint="3 x 8 each side, tempo 3-1-3-1, rest 45; 2 x 30 s"
          tools={tools}
          onSave={(text, done, fresh) => {
            tools.change.mutate({ do: 'dose', ...place, text, fresh }, { onSuccess: done });
          }}
        />
        {entry.missing.map((gap) => (
          <span key={gap} className="rounded-sm bg-warn-soft px-1 text-sm font-semibold text-warn">
            {gap} not written
          </span>
        ))}
        {entry.rung === null && <NotMatched entry={entry} />}
        {entry.note !== null && <span className="text-sm text-warn">only kept as a note: “{entry.note}”</span>}
        {entry.unusual !== null && <span className="text-sm text-faint">note: {entry.unusual.text}</span>}
      </div>
    </li>
  );
}

/** A name that nothing has: which exercise is meant is remembered. */
function NotMatched({ entry }: { entry: BuiltEntry }) {
  const teach = useTeach();
  return (
    <span className="flex flex-wrap items-center gap-1">
      <span className="rounded-sm bg-warn-soft px-1 text-sm font-semibold text-warn">not in the library</span>
      {entry.suggestions.length > 0 && <span className="text-sm text-faint">It means, from now on:</span>}
      {entry.suggestions.map((rung) => (
        <Button
          key={rung.id}
          disabled={teach.isPending}
          onClick={() => {
            teach.mutate({ words: entry.exercise, rung: rung.id });
          }}
        >
          {rung.name}
        </Button>
      ))}
      <span role="alert" className="text-sm font-semibold text-warn empty:hidden">
        {teach.error?.message}
      </span>
    </span>
  );
}

/** A line that is read as trainers write it, changed where it stands. */
export function LineEdit({
  label,
  text,
  start = text,
  kept = '',
  hint,
  tools,
  onSave,
}: {
  label: string;
  text: string;
  /** what is there to be typed over */
  start?: string;
  /** what stays unless the new text speaks of it */
  kept?: string;
  hint: string;
  tools: Tools;
  onSave: (text: string, done: () => void, fresh: boolean) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [fresh, setFresh] = useState(false);
  if (typed === null) {
    return (
      <button
        type="button"
        aria-label={`${label}: ${text}`}
        className="min-h-8 rounded border border-transparent px-1 underline decoration-dotted underline-offset-4 hover:border-line"
        onClick={() => {
          tools.change.reset();
          setFresh(false);
          setTyped(start);
        }}
      >
        {text}
      </button>
    );
  }
  return (
    <form
      className="w-full max-w-md"
      onSubmit={(event) => {
        event.preventDefault();
        onSave(
          typed,
          () => {
            setTyped(null);
          },
          fresh,
        );
      }}
    >
      <span className="flex gap-2">
        <input
          autoFocus
          aria-label={label}
          className="min-w-0 flex-1 rounded border border-wood bg-paper px-2 py-1"
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
          }}
          onKeyDown={(event) => {
            if (event.key === 'Escape') setTyped(null);
            if (event.key === 'Backspace' && event.ctrlKey) {
              event.preventDefault();
              setFresh(true);
            }
          }}
        />
        {kept !== '' && !fresh && (
          <button
            type="button"
            aria-label={`Leave out ${kept}`}
            title="Stays unless you write another; Ctrl+Backspace leaves it out"
            className="inline-flex items-center gap-1 text-faint"
            onClick={() => {
              setFresh(true);
            }}
          >
            {kept} <X size={14} aria-hidden />
          </button>
        )}
        <Button look="act" type="submit" disabled={tools.change.isPending}>
          Save
        </Button>
      </span>
      {tools.change.isError ? (
        <span role="alert" className="block text-sm font-semibold text-warn">
          {tools.change.error.message}
        </span>
      ) : (
        <span className="block text-sm text-faint">
          {hint}
          {kept !== '' && !fresh && '. What is grey stays unless you write another; Ctrl+Backspace leaves it out.'}
        </span>
      )}
    </form>
  );
}

/** The trainer's order beside the best one, and why. */
function Order({ block, place, tools }: { block: BenchBlock; place: number; tools: Tools }) {
  const { order } = block;
  if (order === null) return null;
  if (order.cost <= order.best_cost) {
    return (
      <p className="border-t border-line px-3 py-1.5 text-sm text-faint">
        No order{' '}
        {order.exact ? 'costs less than this one' : `that was found costs less; none costs under ${order.at_least}`}.
      </p>
    );
  }
  return (
    <div className="flex flex-wrap items-center gap-x-3 border-t border-line px-3 py-1.5 text-[0.9375rem]">
      <span className="min-w-0 flex-1 basis-72">
        This order costs {order.cost}: {order.why.join(', ')}. The best costs {order.best_cost}
        {order.best_why.length === 0 ? '' : `: ${order.best_why.join(', ')}`}.
      </span>
      <Why
        about={`best order of block ${place + 1}`}
        reasons={[
          `${order.best.join(', then ')}.`,
          order.exact
            ? 'No order of these costs less.'
            : `More than fourteen exercises: found by moving one at a time. None costs under ${order.at_least}.`,
          ...(order.breaks_more > 0
            ? [
                `It puts ${order.breaks_more} more ${order.breaks_more === 1 ? 'pair' : 'pairs'} against the style’s order, which buys ${order.cost - order.best_cost} elsewhere.`,
              ]
            : []),
        ]}
      />
      <Button
        disabled={tools.change.isPending}
        onClick={() => {
          tools.change.mutate({ do: 'order', block: place });
        }}
      >
        Take the best order
      </Button>
    </div>
  );
}
