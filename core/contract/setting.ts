/** One setting of a game by its field: the way to it from the pattern or the match, `params.tries`, `match.goes.count`. */
export interface Setting {
  field: string;
  value: string | number | boolean;
}
