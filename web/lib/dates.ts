import type { Schemas } from '../api/client';

type Settings = Schemas['StudioSettings'];

const locales: Record<Settings['date_format'], string | undefined> = {
  device: undefined,
  dmy: 'en-GB',
  mdy: 'en-US',
  ymd: 'sv',
};

let studio: Omit<Settings, 'units'> = {
  first_day: 'mon',
  date_format: 'device',
  time_format: 'device',
  time_zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
};

/** From here on days and times are written as the studio writes them. */
export function writeAs(settings: Settings) {
  studio = settings;
}

const week = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;

/** The days of a week, the studio's first one first. */
export function weekDays(): (typeof week)[number][] {
  const first = week.indexOf(studio.first_day);
  return [...week.slice(first), ...week.slice(0, first)];
}

/** A day as it is read here; days are stored as ISO dates. */
export function longDate(iso: string): string {
  return studio.date_format === 'ymd'
    ? iso.slice(0, 10)
    : new Date(`${iso}T12:00:00`).toLocaleDateString(locales[studio.date_format], {
        day: 'numeric',
        month: 'short',
        year: 'numeric',
      });
}

/** A day without its year. */
export function dayAndMonth(iso: string): string {
  return new Date(`${iso}T12:00:00`).toLocaleDateString(locales[studio.date_format], {
    day: 'numeric',
    month: 'short',
  });
}

/** A month, written YYYY-MM where it is kept. */
export function monthAndYear(month: string): string {
  return new Date(`${month}-15T12:00:00`).toLocaleDateString(locales[studio.date_format], {
    month: 'long',
    year: 'numeric',
  });
}

/** A day and a time in the studio's zone. */
export function moment(iso: string): string {
  const at = new Date(iso);
  const day = at.toLocaleDateString('sv', { timeZone: studio.time_zone });
  const time = at.toLocaleTimeString(locales[studio.date_format], {
    hour: 'numeric',
    minute: '2-digit',
    timeZone: studio.time_zone,
    ...(studio.time_format === 'device' ? {} : { hour12: studio.time_format === '12h' }),
  });
  return `${longDate(day)}, ${time}`;
}

/** Today in the studio, as an ISO date. */
export function today(): string {
  return new Date().toLocaleDateString('sv', { timeZone: studio.time_zone });
}
