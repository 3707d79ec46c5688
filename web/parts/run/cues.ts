import { elapsedAt, isOver, lengthOf, type Run } from './run';

/** Sound, vibration and spoken sides, made in the browser; each can be off and the choice is kept on the device. */

export const cueKinds = [
  ['sound', 'Sound'],
  ['vibration', 'Vibration'],
  ['voice', 'Spoken sides'],
] as const;
export type CueKind = (typeof cueKinds)[number][0];

export function isOn(kind: CueKind): boolean {
  try {
    return localStorage.getItem(`floor-${kind}`) !== 'off';
  } catch {
    // a file may be opened where nothing can be kept
    return true;
  }
}

export function turn(kind: CueKind, on: boolean) {
  localStorage.setItem(`floor-${kind}`, on ? 'on' : 'off');
}

let context: AudioContext | undefined;

/** Browsers let a page make sound only after a touch. */
export function wake() {
  context ??= new AudioContext();
  void context.resume();
}

/** How much higher each further lane sounds: a major third, a fifth, a minor seventh over the first. */
const pitches = [1, 1.26, 1.5, 1.78];

/** Which of several lanes is heard. */
export interface Heard {
  /** from 0 */
  lane: number;
  lanes: number;
}

function tone({ lane }: Heard, hertz: number, seconds: number, after = 0) {
  if (context === undefined || !isOn('sound')) return;
  const start = context.currentTime + after;
  const source = context.createOscillator();
  const gain = context.createGain();
  source.frequency.value = hertz * (pitches[lane % pitches.length] ?? 1);
  gain.gain.setValueAtTime(0.3, start);
  gain.gain.exponentialRampToValueAtTime(0.001, start + seconds);
  source.connect(gain).connect(context.destination);
  source.start(start);
  source.stop(start + seconds);
}

function buzz(pattern: number[]) {
  if (isOn('vibration') && 'vibrate' in navigator) navigator.vibrate(pattern);
}

function say(words: string) {
  if (!isOn('voice') || !('speechSynthesis' in window) || speechSynthesis.getVoices().length === 0) return;
  speechSynthesis.speak(new SpeechSynthesisUtterance(words));
}

const sideTones = { left: [440, 550], right: [550, 440] } as const;

function callOut(run: Run, heard: Heard) {
  const segment = run.plan.segments[run.segment];
  if (segment?.what === 'work') {
    buzz([200]);
    if (segment.side === 'left' || segment.side === 'right') {
      const [first, second] = sideTones[segment.side];
      tone(heard, first, 0.25);
      tone(heard, second, 0.35, 0.25);
      say(heard.lanes > 1 ? `${run.plan.title}: ${segment.side}` : segment.side);
    } else {
      tone(heard, 660, 0.5);
    }
  } else {
    tone(heard, 330, 0.5);
    buzz([80, 80, 80]);
  }
}

const told = new Map<string, number>();

/** What has happened between two readings of a clock: a new segment is called, and its last three seconds are ticked. */
export function sound(before: Run, after: Run, at: number, heard: Heard) {
  if (after.segment !== before.segment) {
    told.delete(after.id);
    if (isOver(after)) {
      tone(heard, 660, 0.3);
      tone(heard, 440, 0.6, 0.3);
      buzz([300, 100, 300]);
    } else {
      callOut(after, heard);
    }
    return;
  }
  const left = Math.ceil((lengthOf(after, after.segment) - elapsedAt(after, at)) / 1000);
  if (left >= 1 && left <= 3 && told.get(after.id) !== left) {
    told.set(after.id, left);
    tone(heard, 880, 0.1);
  }
}
