/**
 * The spread of a send: standard deviations as shares of the aimed distance, sideways, along the ground, and up and
 * down. Dimensionless.
 */
export interface Spread {
  lateral: number;
  range: number;
  vertical: number;
}
