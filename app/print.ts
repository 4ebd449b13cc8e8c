/** Prints the page when its button is pressed. */
document.querySelector("[data-print]")?.addEventListener("click", () => print());
