import { setNonce } from "get-nonce";

/**
 * Dialogs and menus stop the page behind them from scrolling with a style sheet that they add. It must carry the nonce
 * of the response, or the browser refuses it.
 */
if (typeof document !== "undefined") {
  const nonce = document.querySelector<HTMLScriptElement>("script[nonce]")?.nonce;
  if (nonce) setNonce(nonce);
}
