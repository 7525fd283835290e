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
