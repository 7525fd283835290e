/** What a hand did on a panel, told in a few sentences: where it stayed, what it left out, which way it went. */

/** The panel in nine parts, as a person would point at them. */
const ALONG = ['left', 'middle', 'right'] as const;
const ACROSS = ['upper', 'middle', 'lower'] as const;
/** A part that had so many times the usual share was stayed on; less than this share of it, and it was left out. */
const STAYED_TIMES = 2.2;
const LEFT_OUT_SHARE = 0.12;
/** So much of the way in one direction is nearly all of it. */
const NEARLY_ALL = 0.85;
/** Shorter work than this tells nothing, minutes. */
const LEAST_MIN = 0.3;
const SECONDS_PER_MIN = 60;

interface Size {
  readonly lengthMm: number;
  readonly heightMm: number;
}

const placeOf = (part: number): string => {
  const [across, along] = [ACROSS[Math.floor(part / 3)]!, ALONG[part % 3]!];
  if (across === 'middle' && along === 'middle') return 'the middle of the panel';
  if (along === 'middle') return `the ${across} edge`;
  if (across === 'middle') return `the ${along} edge`;
  return `the ${across} ${along} corner`;
};

/** "1 min 20 s" */
function timeText(minutes: number): string {
  const seconds = Math.round(minutes * SECONDS_PER_MIN);
  const [whole, rest] = [Math.floor(seconds / SECONDS_PER_MIN), seconds % SECONDS_PER_MIN];
  return [whole > 0 ? `${whole} min` : '', rest > 0 ? `${rest} s` : ''].filter(Boolean).join(' ') || '0 s';
}

export interface ToolInHand {
  readonly blockId: string;
  readonly grade: string;
}

export interface ToolUsed extends ToolInHand {
  readonly minutes: number;
}

/** Notes ways as they are slid, and tells of them. */
export class StrokeLog {
  /** Metres slid on each of the nine parts. */
  private readonly metres = new Float64Array(9);
  /** Metres slid along the panel and across it. */
  private alongM = 0;
  private acrossM = 0;
  private readonly tools = new Map<string, ToolUsed>();
  private lastX = 0;
  private lastY = 0;

  /** @param speedMPerS how fast a usual hand is: ways are told as the time that they take */
  constructor(
    private readonly size: Size,
    private readonly speedMPerS: number,
  ) {}

  down(xMm: number, yMm: number): void {
    this.lastX = xMm;
    this.lastY = yMm;
  }

  /** A way slid with what is in hand. */
  slide(xMm: number, yMm: number, { blockId, grade }: ToolInHand): void {
    const { lastX, lastY, size } = this;
    const metres = Math.hypot(xMm - lastX, yMm - lastY) / 1000;
    const column = Math.min(2, Math.max(0, Math.floor((3 * (xMm + lastX)) / 2 / size.lengthMm)));
    const row = Math.min(2, Math.max(0, Math.floor((3 * (yMm + lastY)) / 2 / size.heightMm)));
    this.metres[3 * row + column]! += metres;
    this.alongM += Math.abs(xMm - lastX) / 1000;
    this.acrossM += Math.abs(yMm - lastY) / 1000;
    const name = `${blockId} ${grade}`;
    const minutes = (this.tools.get(name)?.minutes ?? 0) + this.minutesOf(metres);
    this.tools.set(name, { blockId, grade, minutes });
    this.down(xMm, yMm);
  }

  private minutesOf(metres: number): number {
    return metres / this.speedMPerS / SECONDS_PER_MIN;
  }

  /** What was in hand, in the order of its first use, and how long. */
  used(): ToolUsed[] {
    return [...this.tools.values()];
  }

  /** The story in sentences, most telling first; empty while there is nothing to tell. */
  tell(): string[] {
    const allM = this.metres.reduce((sum, metres) => sum + metres, 0);
    if (this.minutesOf(allM) < LEAST_MIN) return [];
    const usualM = allM / this.metres.length;
    const parts = [...this.metres].map((metres, part) => ({ metres, part }));
    const most = parts.reduce((a, b) => (b.metres > a.metres ? b : a));
    const leftOut = parts.filter(({ metres }) => metres < usualM * LEFT_OUT_SHARE);
    const wayM = this.alongM + this.acrossM;
    return [
      ...(most.metres > usualM * STAYED_TIMES
        ? [
            `You stayed ${timeText(this.minutesOf(most.metres))} on ${placeOf(most.part)}, ${(most.metres / usualM).toFixed(1)} times as long as on an even panel.`,
          ]
        : []),
      ...(leftOut.length > 0 && leftOut.length < parts.length
        ? [`You left out ${leftOut.map(({ part }) => placeOf(part)).join(', ')}.`]
        : []),
      ...(this.alongM > NEARLY_ALL * wayM ? ['Nearly all strokes ran along the panel: cross them.'] : []),
      ...(this.acrossM > NEARLY_ALL * wayM ? ['Nearly all strokes ran across the panel: cross them.'] : []),
    ];
  }
}
