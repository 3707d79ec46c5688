import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { useKept } from '../../lib/useKept';
import { useStyles } from '../../parts/styles/useStyles';
import { TwoStyles } from './TwoStyles';

type List = Schemas['StyleList'];
type Style = List['styles'][number];

/** The house styles: what each answers where practitioners disagree, and copies of the studio's own with other answers. */
export function StylesPage() {
  const styles = useStyles();
  const [chosen, setChosen] = useState<string | null>(null);
  if (styles.isPending) return <Waiting what="the house styles" />;
  if (styles.isError) return <Notice title={styles.error.message} />;
  const style = styles.data.styles.find((each) => each.id === chosen) ?? styles.data.styles[0];
  if (style === undefined) return null;
  return (
    <div className="mx-auto grid max-w-6xl gap-6 p-4 lg:grid-cols-[18rem_minmax(0,1fr)]">
      <nav aria-label="House styles">
        <h1 className="mb-2 text-2xl font-bold">House styles</h1>
        <ul className="space-y-1">
          {styles.data.styles.map((each) => (
            <li key={each.id}>
              <button
                type="button"
                aria-pressed={each.id === style.id}
                onClick={() => {
                  setChosen(each.id);
                }}
                className={`w-full rounded-md border px-3 py-2 text-left ${each.id === style.id ? 'border-stand bg-card' : 'border-line hover:border-ink'}`}
              >
                <b>{each.name}</b>
                {each.own && <span className="ml-2 text-sm text-faint">own</span>}
              </button>
            </li>
          ))}
        </ul>
        <p className="mt-3 text-[0.9375rem] text-faint">
          Where practitioners disagree, a house style says which side it takes and why. A client follows one; it is
          chosen under “What if …”.
        </p>
      </nav>
      <Answers key={style.id} style={style} questions={styles.data.questions} onMade={setChosen} />
      <TwoStyles styles={styles.data.styles} one={style.id} />
    </div>
  );
}

function Answers({
  style,
  questions,
  onMade,
}: {
  style: Style;
  questions: List['questions'];
  onMade: (id: string | null) => void;
}) {
  const queries = useQueryClient();
  const start = { changed: {} as Record<string, string>, name: style.own ? style.name : `${style.name}, ours` };
  const [{ changed, name }, keep, drop] = useKept(`style:${style.id}`, start);
  const took = (list: List) => {
    queries.setQueryData(['styles'], list);
    for (const key of ['board', 'program', 'week']) void queries.invalidateQueries({ queryKey: [key] });
  };
  const save = useMutation({
    mutationFn: (change: boolean) =>
      answer(api.POST('/styles', { body: { from: style.id, name, change, choices: changed } })),
    onSuccess: (list, change) => {
      took(list);
      drop();
      if (!change) onMade(list.styles.find((each) => each.own && each.name === name.trim())?.id ?? null);
    },
  });
  const remove = useMutation({
    mutationFn: () => answer(api.POST('/styles/{style}/remove', { params: { path: { style: style.id } } })),
    onSuccess: (list) => {
      took(list);
      onMade(null);
    },
  });
  const differs = Object.keys(changed).length > 0;
  const error = save.error ?? remove.error;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate(style.own);
      }}
    >
      <h2 className="text-xl font-bold">{style.name}</h2>
      <p>{style.summary}</p>
      <div className="sticky top-(--band) z-10 my-3 flex flex-wrap items-end gap-3 border-b border-line bg-paper py-2">
        <TextField
          label={style.own ? 'Name' : 'Name of a copy'}
          value={name}
          onChange={(typed) => {
            keep((before) => ({ ...before, name: typed }));
          }}
          className="w-64"
        />
        {style.own && (
          <Button look="act" type="submit" disabled={save.isPending || (!differs && name === style.name)}>
            Save the changes
          </Button>
        )}
        <Button
          look={style.own ? 'plain' : 'act'}
          disabled={save.isPending}
          onClick={() => {
            save.mutate(false);
          }}
        >
          {differs ? 'Copy with these answers' : 'Copy this style'}
        </Button>
        {style.own && (
          <Button
            disabled={remove.isPending}
            onClick={() => {
              remove.mutate();
            }}
          >
            Remove
          </Button>
        )}
        {style.followers.length > 0 && (
          <p className="w-full text-[0.9375rem]">
            <b>
              {style.followers.length === 1 ? 'One client follows it' : `${style.followers.length} clients follow it`}:
            </b>{' '}
            {style.followers.slice(0, 12).join(', ')}
            {style.followers.length > 12 && ` and ${style.followers.length - 12} more`}.
            {style.own &&
              ' Saved changes touch their verdicts and words at once; their programs stay until each is asked.'}
          </p>
        )}
        <p role="alert" className="w-full font-semibold text-warn empty:hidden">
          {error?.message}
        </p>
      </div>
      {questions.map((question) => {
        const own = style.choices.find((choice) => choice.id === question.id)?.side;
        const side = changed[question.id] ?? own;
        return (
          <fieldset key={question.id} className="border-t border-line py-2">
            <legend className="float-left w-full font-bold">{question.question}</legend>
            {question.sides.map((each) => (
              <label key={each.id} className="flex min-h-9 clear-both gap-2 py-1">
                <input
                  type="radio"
                  name={question.id}
                  className="mt-0.5 size-5 shrink-0 accent-(--act)"
                  checked={side === each.id}
                  onChange={() => {
                    const others = Object.entries(changed).filter(([id]) => id !== question.id);
                    const now = Object.fromEntries(each.id === own ? others : [...others, [question.id, each.id]]);
                    keep((before) => ({ ...before, changed: now }));
                  }}
                />
                <span>
                  <span className={side === each.id ? 'font-semibold' : ''}>{each.answer}</span>
                  <span className="block text-[0.9375rem] text-faint">
                    {each.reason} ({each.ground}
                    {each.changes_plan ? '; changes plan or verdicts' : ''})
                  </span>
                </span>
              </label>
            ))}
          </fieldset>
        );
      })}
    </form>
  );
}
