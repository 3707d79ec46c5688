/** A word of the program and what it means; what it is also looked for by. */
export interface Meaning {
  word: string;
  means: string;
  also?: string;
}

export const doses: readonly Meaning[] = [
  { word: '3 × 10', means: 'Three sets of ten repetitions.', also: 'sets reps' },
  { word: '3 × 30 s', means: 'Three holds of 30 seconds.', also: 'hold' },
  {
    word: '3 × (4 × 10 s / 5 s)',
    means: 'Three sets of four short holds of 10 s with breaks of 5 s.',
    also: 'intervals',
  },
  { word: '/s', means: 'On each side: the whole set is done on one side, then on the other.', also: 'each side' },
  { word: '/alt', means: 'Sides in turn, one repetition each.', also: 'alternating alternate' },
  {
    word: '2-1-2-0',
    means: 'Tempo in seconds: lowering, pause, lifting, pause. X is as fast as is clean.',
    also: 'tempo',
  },
  { word: 'r0:30', means: 'Rest of 30 seconds after each set.', also: 'rest' },
  { word: '@8 kg', means: 'With a load of 8 kilograms.', also: 'load weight' },
  { word: 'half range, 45 cm', means: 'How far the movement goes; without it, all the way.', also: 'range' },
];

export const glossary: readonly Meaning[] = [
  { word: 'Ladder', means: 'Exercises of one direction from easy to hard.' },
  { word: 'Rung', means: 'One exercise of a ladder.' },
  { word: 'Level', means: 'How hard a rung is, 1 to 10, the same over all ladders.' },
  { word: 'Step', means: 'One dose of a rung; a client climbs its steps before the next rung.' },
  { word: 'Standing', means: 'Where a client is on a ladder today: rung, step and range.' },
  { word: 'Gate', means: 'A rung that must be shown clean before another is allowed.' },
  { word: 'Limit', means: 'What is sore or medical. It bars rungs that load it, by how bad it is.' },
  { word: 'Flag', means: 'A sign of the screen that stops until a clinician has cleared it.', also: 'red warning' },
  { word: 'Clearance', means: 'What a licensed practitioner allowed again, from when and until when.' },
  { word: 'Stop', means: 'Pain over 5 or of a kind that stops; it stays until a clearance of a later day.' },
  { word: 'Verdict', means: 'Progress, step up, stay, step down, regress or stop, with the rule that decided.' },
  { word: 'House style', means: 'How a studio answers where practitioners disagree: rest, holds, order, words.' },
  {
    word: 'Switch-on',
    means: 'A light first block that wakes the trunk: one set each, no hold over 30 s.',
    also: 'activation',
  },
  {
    word: 'Hard session',
    means: 'Six sets or more, or two and a half minutes of work or more, in the four directions.',
  },
  { word: 'Door', means: 'The questions as a client walks in, and today’s session as the answers make it.' },
  { word: 'Lane', means: 'One clock on the floor, for one client or a group.' },
  { word: 'Own page', means: 'A week or a session that a client has on their phone as one file.' },
  { word: 'Load', means: 'Effort, 0 to 10, times minutes; the load of a week is that of its sessions together.' },
  {
    word: 'Noise of a test',
    means: 'How much a hold may differ when nothing has changed; a change inside it is no progress.',
  },
  { word: 'Audit', means: 'What is wrong with any program: minutes, missing directions, what would hurt.' },
];

export const keys: readonly Meaning[] = [
  { word: 'Ctrl K', means: 'Find a client, an exercise, a page, or what to do.' },
  { word: '?', means: 'This page.' },
  { word: '↑ ↓ ← →', means: 'On the wall: along a ladder, and to the one beside.' },
  { word: '+ −', means: 'On the wall: the client one rung up or down. On the floor: ten seconds more.' },
  { word: 'z y', means: 'On the wall: undo and redo.' },
  { word: 'Space', means: 'On the floor: start and pause.' },
  { word: '→ ←', means: 'On the floor: on to the next, and again.' },
  { word: 'c', means: 'On the floor: the last set was clean.' },
  { word: '1 2 3 …', means: 'On the floor: end the set with that fault.' },
];

export const howTos: readonly Meaning[] = [
  {
    word: 'Take a new client to their first week',
    means:
      'Clients, Add a client: three steps, with a line that says which: who it is, where they stand, the first week. Nobody is planned before the screen was asked.',
  },
  {
    word: 'Find where somebody stands',
    means:
      'Looking back, Tests: climb the ladders rung by rung, or type holds in seconds. Without a test the ladders start low, and the log moves them up.',
  },
  {
    word: 'Change an exercise for today only',
    means: 'On the day, Door: say what is sore and how many minutes there are. The plan stays as it is.',
  },
  {
    word: 'Change an exercise for good',
    means: 'Planning, Week: the menu beside it (…) changes the dose or puts another in its place. Undo takes it back.',
  },
  {
    word: 'Log a session that went as planned',
    means: 'On the day, Log: choose the session, As planned, save. On the floor one tap says the same of every set.',
  },
  {
    word: 'Show what became of a client',
    means: 'Looking back, Progress: three months to a year in pictures with their numbers; it prints on one page.',
  },
  {
    word: 'Read the day without a network',
    means:
      'Open Today once in the morning. List, board, week and sheet of who comes stay on the device until you sign out; the floor runs as well.',
  },
  {
    word: 'Answer a verdict',
    means: 'On the day, Log: accept, change or put off. An accepted one moves the client and the plan.',
  },
  {
    word: 'When pain stops somebody',
    means:
      'The ladder, or everything, stays stopped until a clearance of a later day. The person, Screen: record who cleared what, and ask the screen again.',
  },
  {
    word: 'Check the line in a picture',
    means:
      'Line check, on an exercise, on the floor between sets, on a test day and in the log: a picture from the camera or a file, stickers or taps. During a hold on the floor Watch the line looks by itself.',
    also: 'photo camera angle level hips stickers',
  },
  {
    word: 'Give the week to the client',
    means: 'The person, Sheet: on paper in one or two pages, or as a page of their own for the phone.',
  },
  {
    word: 'Check a program from elsewhere',
    means: 'Audit: paste it, one line an exercise. Choose for whom, and Fit to this person.',
  },
];
