/** Saves a text as a file of this computer. */
export function save(name: string, text: string, type: string): void {
  const address = URL.createObjectURL(new Blob([text], { type: `${type};charset=utf-8` }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // After the browser has taken it.
  setTimeout(() => {
    URL.revokeObjectURL(address);
  }, 10_000);
}

/**
 * A picture as it stands on the page, as a file that needs no page: tones are written out, since outside of the page nobody knows their names.
 * @param svg a picture that is drawn
 */
export function asPicture(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const tones = getComputedStyle(svg);
  const named = (text: string) =>
    text.replaceAll(/var\((--[\w-]+)\)/gu, (_, name: string) => tones.getPropertyValue(name).trim());
  for (const element of [copy, ...copy.querySelectorAll('*')])
    for (const { name, value } of [...element.attributes])
      if (value.includes('var(')) element.setAttribute(name, named(value));
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('font-family', 'sans-serif');
  return copy.outerHTML;
}
