import QRCode from "qrcode";

/**
 * A QR code as a picture: strokes of width 1 along the middles of its rows, in a box of `size` units. The caller
 * draws the white margin around it.
 */
export interface SquareCode {
  size: number;
  path: string;
}

/** The QR code of an address. A seventh of it may be damaged (a fold, a crayon). */
export function squareCode(address: string): SquareCode {
  // As bytes: an address gains nothing from the shorter alphabets, and choosing among them takes half of the time.
  const { modules } = QRCode.create([{ data: new TextEncoder().encode(address), mode: "byte" }], {
    errorCorrectionLevel: "M",
  });
  const { size, data } = modules;
  let path = "";
  for (let y = 0; y < size; y++) {
    // The end of the row's last stroke. Each row begins with an absolute move, so that errors do not add up.
    let at: number | null = null;
    for (let x = 0; x < size; x++) {
      if (!data[y * size + x]) continue;
      const from = x;
      while (x + 1 < size && data[y * size + x + 1]) x++;
      path += `${at === null ? `M${from} ${y}.5` : `m${from - at} 0`}h${x - from + 1}`;
      at = x + 1;
    }
  }
  return { size, path };
}
