import type { Schemas } from '../../api/client';

/** The generator lists a schema's definitions as a field; no document has it. */
export type ClientDocument = Omit<Schemas['KeptClient']['document'], '$defs'>;
export type SentDocument = Schemas['KeptClient']['document'];

export const trainings = ['heavy-lift', 'light-lift', 'endurance', 'skill-sport', 'rest'] as const;
export const severities = ['mild', 'moderate', 'severe'] as const;
export const abilities = ['BR', 'AE', 'AF', 'AL', 'AR', 'HP', 'SG', 'IN', 'TM'] as const;

export const emptyDocument: ClientDocument = {
  format: 'even-rungs/client',
  version: 1,
  name: '',
  goal: 'general',
  limits: [],
  equipment: ['mat', 'wall'],
  days: {},
  other_training: [],
};

export type LimitId = Schemas['BoardLimit']['id'];
type Severity = (typeof severities)[number];

/** A limit in its long form, whatever form it was written in. */
export function limitOf(each: unknown): { limit: LimitId; severity: Severity } {
  const long = each as { limit: LimitId; severity?: Severity } | LimitId;
  return typeof long === 'string'
    ? { limit: long, severity: 'moderate' }
    : { limit: long.limit, severity: long.severity ?? 'moderate' };
}

/** The object with a field set, or taken out where nothing was entered. */
export function withField<T extends object, K extends keyof T>(object: T, key: K, value: T[K] | undefined): T {
  const copy = { ...object };
  if (value === undefined) Reflect.deleteProperty(copy, key);
  else copy[key] = value;
  return copy;
}

/** A typed number as it goes to the server: what is no number goes as it was typed, so that the server can name the error. */
export function typedNumber(text: string): number | undefined {
  const trimmed = text.trim().replace(',', '.');
  if (trimmed === '') return undefined;
  const number = Number(trimmed);
  return Number.isNaN(number) ? (trimmed as unknown as number) : number;
}
