/** A line in which telephone numbers can be tapped. */
export function Numbers({ text }: { text: string }) {
  return text.split(/(\+?\d[\d ]{1,14}\d)/).map((part, i) =>
    i % 2 === 1 ? (
      <a key={i} href={`tel:${part.replaceAll(' ', '')}`} className="font-bold underline underline-offset-4">
        {part}
      </a>
    ) : (
      part
    ),
  );
}
