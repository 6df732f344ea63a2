import sharp from 'sharp';

/** A drawn stand-in for a photo of a nick in a propeller blade. */
export async function nickPhoto(): Promise<Uint8Array> {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="900">
    <defs><linearGradient id="sky" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#b9c9d3"/><stop offset="1" stop-color="#8e9aa0"/></linearGradient>
    <linearGradient id="blade" x1="0" y1="0" x2="1" y2="0"><stop offset="0" stop-color="#2b2f33"/><stop offset="0.6" stop-color="#4d5359"/><stop offset="1" stop-color="#202326"/></linearGradient></defs>
    <rect width="1200" height="900" fill="url(#sky)"/><rect y="640" width="1200" height="260" fill="#77766f"/>
    <path d="M420 0 C400 300 430 640 470 900 L760 900 C800 560 790 300 730 0 Z" fill="url(#blade)"/>
    <path d="M735 60 C786 300 797 560 762 860" fill="none" stroke="#d8dadb" stroke-width="7"/>
    <path d="M790 418 L742 446 L786 470 Z" fill="#8e9aa0"/><path d="M790 418 L742 446 L786 470" fill="none" stroke="#f3f4f4" stroke-width="5"/>
    <text x="560" y="200" font-size="70" fill="#e9e5da" font-family="sans-serif" transform="rotate(2 560 200)">2</text></svg>`;
  return sharp(Buffer.from(svg)).jpeg({ quality: 85 }).toBuffer();
}
