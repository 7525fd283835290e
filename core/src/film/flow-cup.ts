/** Seconds that the flow cup took with so much reducer added. */
export interface FlowReading {
  readonly percent: number;
  readonly seconds: number;
}

/**
 * Percent of reducer for a run-out time: ln(seconds) is linear in the percent added; the line of least squares through
 * the readings. 27 s with none and 22 s with 5 %: 20 s takes 7.3 %.
 * @throws {RangeError} for fewer than two different amounts, times that are not positive, or reducer that does not thin
 */
export function percentForSeconds(readings: readonly FlowReading[], targetSeconds: number): number {
  if (!(targetSeconds > 0)) throw new RangeError('target must be more than 0 s');
  if (readings.some(({ percent, seconds }) => !(seconds > 0) || !(percent >= 0)))
    throw new RangeError('a reading is percent added and seconds, for example 5:22');
  const amounts = new Set(readings.map(({ percent }) => percent));
  if (amounts.size < 2) throw new RangeError('two readings with different amounts of reducer are needed');
  const mean = (of: (reading: FlowReading) => number): number =>
    readings.reduce((sum, reading) => sum + of(reading), 0) / readings.length;
  const [percentMean, lnMean] = [mean(({ percent }) => percent), mean(({ seconds }) => Math.log(seconds))];
  const slope =
    mean(({ percent, seconds }) => (percent - percentMean) * (Math.log(seconds) - lnMean)) /
    mean(({ percent }) => (percent - percentMean) ** 2);
  if (!(slope < 0)) throw new RangeError('it ran no faster with more reducer: time it again');
  return percentMean + (Math.log(targetSeconds) - lnMean) / slope;
}
