import { clockStand, comeWords, type ClockView, type Moment } from '@blue-ledge/core';
import { announce } from '../state/announce.ts';
import { persisted } from '../state/persisted.ts';

/** What happens at zero: it is said on every screen; with a sound or a notification where this browser was asked to. */

interface RingChoice {
  readonly hasSound: boolean;
  readonly notifies: boolean;
}

export const useRingChoice = persisted<RingChoice>('ledge-ring', { hasSound: false, notifies: false });

let audio: AudioContext | null = null;

const NOTES_HZ = [660, 880, 660, 880];
const NOTE_S = 0.22;

/** Four tones; a browser plays none before somebody has pressed something on the page. */
export function playTones(): void {
  audio ??= new AudioContext();
  const { currentTime, destination } = audio;
  void audio.resume();
  NOTES_HZ.forEach((hz, i) => {
    const tone = audio!.createOscillator();
    const loudness = audio!.createGain();
    tone.frequency.value = hz;
    loudness.gain.value = 0.25;
    tone.connect(loudness).connect(destination);
    tone.start(currentTime + i * NOTE_S);
    tone.stop(currentTime + (i + 0.8) * NOTE_S);
  });
}

/** Whether this browser may show notifications, asked for now; false where it is refused or has none. */
export const mayNotify = async (): Promise<boolean> =>
  'Notification' in window && (await Notification.requestPermission()) === 'granted';

/** What came since a moment, the latest last. */
export function cameSince(
  clocks: readonly ClockView[],
  sinceMs: number,
  nowMs: number,
): { readonly view: ClockView; readonly moment: Moment }[] {
  return clocks.flatMap((view) => {
    const { come } = clockStand(view, nowMs);
    return come?.atMs !== undefined && come.atMs > sinceMs ? [{ view, moment: come }] : [];
  });
}

const RUNG = 'ledge-rung';
const MOST_RUNG = 100;

/** The first tab that comes to it sounds; the others only say it. */
function isFirst(name: string): boolean {
  try {
    const rung = JSON.parse(localStorage.getItem(RUNG) ?? '[]') as string[];
    if (rung.includes(name)) return false;
    localStorage.setItem(RUNG, JSON.stringify([...rung, name].slice(-MOST_RUNG)));
  } catch {
    // Storage that is full or locked: better twice than not at all.
  }
  return true;
}

/** Says that a moment has come. */
export function ring({ clock }: ClockView, moment: Moment): void {
  const where = clock.step ? `${clock.step.panelName}, ${clock.title}` : clock.title;
  const what = comeWords(moment, clock);
  announce(`${where}. ${what}.`);
  const name = `${clock.id} ${moment.kind} ${moment.turn} ${moment.atMs}`;
  if (!isFirst(name)) return;
  const { hasSound, notifies } = useRingChoice.getState();
  if (hasSound) playTones();
  if (notifies && 'Notification' in window && Notification.permission === 'granted')
    new Notification(where, { body: what, tag: name });
}
