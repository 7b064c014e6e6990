/** Prints one part of the screen, marked `data-print-part`, and nothing else of what is so marked. */
export function printPart(name: string): void {
  const parts = document.querySelectorAll(`[data-print-part='${name}']`);
  document.body.dataset.part = name;
  for (const part of parts) part.setAttribute('data-printed', '');
  window.addEventListener(
    'afterprint',
    () => {
      delete document.body.dataset.part;
      for (const part of parts) part.removeAttribute('data-printed');
    },
    { once: true },
  );
  window.print();
}
