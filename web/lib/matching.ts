/** Letters as they are looked for: without case and marks. */
function plain(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
}

/** How well a name answers what is typed, words in any order, each the beginning of a word of it; null where one is not there. */
export function matching(typed: string, name: string): number | null {
  const words = plain(name).split(/[^\p{L}\p{N}]+/u);
  let score = 0;
  for (const part of plain(typed)
    .split(/\s+/)
    .filter((each) => each !== '')) {
    const at = words.findIndex((word) => word.startsWith(part));
    if (at < 0) return null;
    score += words[at] === part ? 2 : 1;
    score -= at / 100;
  }
  return score - words.length / 1000;
}
