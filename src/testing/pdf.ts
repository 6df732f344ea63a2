// A PDF read again, by another library than the one that wrote it. For tests only.
import jsQR from 'jsqr';
import { decodePDFRawStream, PDFDocument, PDFName, PDFNumber, PDFRawStream } from 'pdf-lib';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** What stands on each page, by another library than the one that wrote it. */
export async function textsOf(pdf: Uint8Array) {
  const read = await getDocument({ data: pdf.slice(), verbosity: 0 }).promise;
  const pages = [];
  for (let number = 1; number <= read.numPages; number += 1) {
    const page = await read.getPage(number);
    const { items } = await page.getTextContent();
    const [, , width = 0, height = 0] = page.view;
    pages.push({
      width,
      height,
      items: items.flatMap((item) =>
        'str' in item && item.str.trim() !== ''
          ? [
              {
                text: item.str,
                x: Number(item.transform[4]),
                y: Number(item.transform[5]),
                width: item.width,
              },
            ]
          : [],
      ),
    });
  }
  return pages;
}

/** What the codes in it say, in their order. */
export async function codesOf(pdf: Uint8Array) {
  const document = await PDFDocument.load(pdf);
  return document.context.enumerateIndirectObjects().flatMap(([, object]) => {
    if (!(object instanceof PDFRawStream) || object.dict.get(PDFName.of('Subtype')) !== PDFName.of('Image'))
      return [];
    const of = (name: string) => object.dict.lookup(PDFName.of(name), PDFNumber).asNumber();
    const [width, height] = [of('Width'), of('Height')];
    const bytes = decodePDFRawStream(object).decode();
    const channels = bytes.length / (width * height);
    const pixels = new Uint8ClampedArray(width * height * 4);
    for (let at = 0; at < width * height; at += 1)
      for (let part = 0; part < 4; part += 1)
        pixels[at * 4 + part] = part === 3 ? 255 : (bytes[at * channels + (channels < 3 ? 0 : part)] ?? 0);
    const found = jsQR(pixels, width, height);
    return found === null ? [] : [found.data];
  });
}
