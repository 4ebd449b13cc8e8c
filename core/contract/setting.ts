/** One setting of a game by its field: the path from the pattern or the match, `params.tries`, `match.goes.count`. */
export interface Setting {
  field: string;
  value: string | number | boolean;
}
