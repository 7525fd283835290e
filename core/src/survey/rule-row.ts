/** A figure that a shop may set for itself: default, range, and what it is; its unit is in its name. */
export interface RuleRow {
  readonly preset: number;
  readonly from: number;
  readonly to: number;
  readonly about: string;
}

export const row = (preset: number, from: number, to: number, about: string): RuleRow => ({
  preset,
  from,
  to,
  about,
});
