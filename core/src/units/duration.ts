/**
 * Minutes in words a shop reads at a glance: "35 min", "5 h 10", "3 d 2 h".
 * Half a minute and less shows as "under 1 min" so that no real wait reads as zero.
 */
export function formatMinutes(minutes: number): string {
  if (minutes <= 0) return '0 min';
  if (minutes < 0.5) return 'under 1 min';
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const hours = Math.floor(whole / 60);
  if (hours < 48) {
    const rest = whole % 60;
    return rest === 0 ? `${hours} h` : `${hours} h ${String(rest).padStart(2, '0')}`;
  }
  const restHours = hours % 24;
  return restHours === 0 ? `${Math.floor(hours / 24)} d` : `${Math.floor(hours / 24)} d ${restHours} h`;
}

const DAY_MIN = 24 * 60;

/**
 * Time on the shop's clock: "14:20", "14:20 next day", "14:20 on day 3".
 * @param startMin minutes after midnight at which the work starts
 * @param afterMin minutes since then, 0 or more
 */
export function clockTime(startMin: number, afterMin: number): string {
  const atMin = Math.round(startMin + afterMin);
  const [hour, minute] = [Math.floor((atMin % DAY_MIN) / 60), atMin % 60];
  const time = `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
  const day = Math.floor(atMin / DAY_MIN) + 1;
  return day === 1 ? time : day === 2 ? `${time} next day` : `${time} on day ${day}`;
}
