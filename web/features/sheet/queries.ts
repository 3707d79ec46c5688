import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import type { SheetChoice } from './SheetFields';

/** How many pages a sheet has, and how much is left out for that. */
export function useSheet(client: string, version: number | undefined, week: number, choice: SheetChoice) {
  return useQuery({
    queryKey: ['sheet', client, version, week, choice],
    queryFn: () =>
      answer(api.GET('/clients/{client}/sheet', { params: { path: { client }, query: { week, ...choice } } })),
    enabled: version !== undefined,
    placeholderData: (before) => before,
  });
}

/** Where a sheet is, as a page and as a file: so many pages, so much left out, of this version of the client. */
export function sheetAddress(week: number, choice: SheetChoice, detail: number, version: number): string {
  return new URLSearchParams({
    week: String(week),
    language: choice.language,
    pages: String(choice.pages),
    paper: choice.paper,
    size: choice.size,
    detail: String(detail),
    // another version of the client is another page
    of: String(version),
  }).toString();
}
