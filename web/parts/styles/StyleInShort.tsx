import type { Schemas } from '../../api/client';

/** What a house style answers, why, and what the other side says. */
export function StyleInShort({ style }: { style: Schemas['StyleList']['styles'][number] }) {
  return (
    <div>
      <p className="text-[0.9375rem]">{style.summary}</p>
      <details>
        <summary className="min-h-8 cursor-pointer font-semibold">What it answers, and why</summary>
        <dl className="text-[0.9375rem]">
          {style.choices.map((choice) => (
            <div key={choice.question} className="border-t border-line py-1">
              <dt className="font-semibold">{choice.question}</dt>
              <dd>
                {choice.answer}. {choice.reason} <span className="text-faint">({choice.ground})</span>
                <span className="block text-faint">The other side: {choice.other_side}</span>
              </dd>
            </div>
          ))}
        </dl>
      </details>
    </div>
  );
}
