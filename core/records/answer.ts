/** A mark in every answer of the server to a hand-in, so that a device never mistakes anybody else's answer for it. */
export const ANSWERED = "daring-yard";
/**
 * Why a go was not accepted. `final`: sending it again changes nothing. Otherwise it waits on the device and is sent
 * again.
 */
export interface NotTaken {
  answer: typeof ANSWERED;
  field: string;
  message: string;
  final: boolean;
}
