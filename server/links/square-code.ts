import QRCode from "qrcode";

/** A square code as a picture: a path of unit squares in a box of `size` units; white space around it is whoever draws it. */
export interface SquareCode {
  size: number;
  path: string;
}

/** The square code of an address. A seventh of it may be lost (a fold, a crayon). */
export function squareCode(address: string): SquareCode {
  const { modules } = QRCode.create(address, { errorCorrectionLevel: "M" });
  const { size, data } = modules;
  let path = "";
  for (let y = 0; y < size; y++) {
    for (let x = 0; x < size; x++) {
      if (!data[y * size + x]) continue;
      const from = x;
      while (x + 1 < size && data[y * size + x + 1]) x++;
      path += `M${from} ${y}h${x - from + 1}v1h${from - x - 1}z`;
    }
  }
  return { size, path };
}
