/** What the server itself answers a hand-in with carries this, so that a device never takes anybody else's answer for it. */
export const ANSWERED = "daring-yard";
/** Why a go was not taken. `final`: sending it again changes nothing; else it waits on the device and is sent again. */
export interface NotTaken {
  answer: typeof ANSWERED;
  field: string;
  message: string;
  final: boolean;
}
