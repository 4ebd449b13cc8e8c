/** Spread of a send: SDs as shares of the aimed distance, sideways, along the ground, up and down. Dimensionless. */
export interface Spread {
  lateral: number;
  range: number;
  vertical: number;
}
