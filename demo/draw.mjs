// Makes the demo's drawings, its sound and its report, once: node demo/draw.mjs
import { writeFileSync } from 'node:fs';
import path from 'node:path';

const folder = path.join(import.meta.dirname, 'files');
const svg = (width, height, inner) =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" font-family="Georgia, serif">
<rect width="${width}" height="${height}" fill="#F6F4E7"/>
${inner}
</svg>
`;

/** A spring and a neap tide over a day, and the sill that the pool is held at. */
function tides() {
  const curve = (range) =>
    Array.from({ length: 97 }, (_each, quarter) => {
      const hours = quarter / 4;
      const height = 150 - range * Math.cos((2 * Math.PI * (hours - 1.2)) / 12.42);
      return `${quarter === 0 ? 'M' : 'L'}${(40 + hours * 24).toFixed(1)} ${height.toFixed(1)}`;
    }).join(' ');
  const hours = [0, 6, 12, 18, 24]
    .map(
      (hour) =>
        `<text x="${40 + hour * 24}" y="278" text-anchor="middle" font-size="15" fill="#55646A">${hour}h</text>`,
    )
    .join('');
  return svg(
    660,
    300,
    `<line x1="40" x2="616" y1="112" y2="112" stroke="#B5371F" stroke-dasharray="7 5"/><text x="612" y="104" text-anchor="end" font-size="15" fill="#B5371F">sill</text>
<path d="${curve(100)}" fill="none" stroke="#2A4A8C" stroke-width="3"/><path d="${curve(48)}" fill="none" stroke="#0E6A5B" stroke-width="3"/>
<text x="58" y="40" font-size="16" fill="#2A4A8C">springs</text><text x="58" y="92" font-size="16" fill="#0E6A5B">neaps</text>${hours}`,
  );
}

/** The leaf of a gate: boards, frame, and where the heel has gone soft. */
function leaf() {
  const boards = Array.from(
    { length: 7 },
    (_each, board) => `<rect x="${150 + board * 52}" y="50" width="49" height="250" fill="#E8DCC0" stroke="#835700"/>`,
  ).join('');
  return svg(
    660,
    380,
    `${boards}<rect x="138" y="38" width="388" height="274" fill="none" stroke="#3F5866" stroke-width="12"/>
<rect x="144" y="286" width="150" height="24" fill="#B5371F" opacity=".45"/><text x="150" y="350" font-size="17" fill="#B5371F">soft for 600 mm from the heel</text>
<circle cx="126" cy="56" r="11" fill="none" stroke="#1C282C" stroke-width="4"/><circle cx="126" cy="296" r="11" fill="#1C282C"/><text x="20" y="302" font-size="17" fill="#1C282C">pintle</text>`,
  );
}

/** The undershot wheel from the side. */
function wheel() {
  const floats = Array.from({ length: 16 }, (_each, index) => {
    const angle = (2 * Math.PI * index) / 16;
    const at = (radius) =>
      `${(200 + radius * Math.cos(angle)).toFixed(1)} ${(190 + radius * Math.sin(angle)).toFixed(1)}`;
    return `<path d="M${at(40)} L${at(150)}" stroke="#835700" stroke-width="5"/><path d="M${at(128)} L${at(168)}" stroke="#3F5866" stroke-width="11"/>`;
  }).join('');
  return svg(
    400,
    400,
    `<circle cx="200" cy="190" r="132" fill="none" stroke="#835700" stroke-width="9"/><circle cx="200" cy="190" r="40" fill="none" stroke="#1C282C" stroke-width="7"/>${floats}
<path d="M0 352 Q60 340 120 352 T240 352 T400 350 V400 H0 Z" fill="#2A4A8C" opacity=".35"/>`,
  );
}

writeFileSync(path.join(folder, 'tides.svg'), tides());
writeFileSync(path.join(folder, 'leaf.svg'), leaf());
writeFileSync(path.join(folder, 'wheel.svg'), wheel());

/** A small bell struck twice: three partials that die away, as a WAV file of 8-bit samples. */
const RATE = 8000;
const samples = Buffer.alloc(RATE * 2.4);
for (let index = 0; index < samples.length; index += 1) {
  const since = (index % (RATE * 1.2)) / RATE;
  const partials = [523, 1318, 2093].map((pitch, place) => Math.sin(2 * Math.PI * pitch * since) / (place + 1.4));
  samples[index] = Math.round(128 + 60 * Math.exp(-3.2 * since) * partials.reduce((sum, each) => sum + each, 0));
}
const header = Buffer.alloc(44);
header.write('RIFF', 0);
header.writeUInt32LE(36 + samples.length, 4);
header.write('WAVEfmt ', 8);
header.writeUInt32LE(16, 16);
header.writeUInt16LE(1, 20);
header.writeUInt16LE(1, 22);
header.writeUInt32LE(RATE, 24);
header.writeUInt32LE(RATE, 28);
header.writeUInt16LE(1, 32);
header.writeUInt16LE(8, 34);
header.write('data', 36);
header.writeUInt32LE(samples.length, 40);
writeFileSync(path.join(folder, 'bridge bell.wav'), Buffer.concat([header, samples]));

/** A PDF of lines of text, a page for each list (ISO 32000-1, 7.5); the first line of a page is its heading. */
function pdf(pages) {
  const parts = ['<< /Type /Catalog /Pages 2 0 R >>'];
  const first = 4;
  const kids = pages.map((_page, index) => `${first + 2 * index} 0 R`).join(' ');
  parts.push(`<< /Type /Pages /Kids [${kids}] /Count ${pages.length} >>`);
  parts.push('<< /Type /Font /Subtype /Type1 /BaseFont /Times-Roman /Encoding /WinAnsiEncoding >>');
  for (const [index, [heading, ...lines]] of pages.entries()) {
    const said = (text) => `(${text.replace(/[\\()]/gu, '\\$&')}) Tj T*`;
    const text = `BT /F1 20 Tf 72 760 Td 36 TL ${said(heading)} /F1 12 Tf 17 TL ${lines.map(said).join(' ')} ET`;
    parts.push(
      `<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Resources << /Font << /F1 3 0 R >> >> /Contents ${first + 2 * index + 1} 0 R >>`,
      `<< /Length ${Buffer.byteLength(text, 'latin1')} >>\nstream\n${text}\nendstream`,
    );
  }
  let file = '%PDF-1.4\n';
  const places = parts.map((part, index) => {
    const place = file.length;
    file += `${index + 1} 0 obj\n${part}\nendobj\n`;
    return `${String(place).padStart(10, '0')} 00000 n \n`;
  });
  const table = file.length;
  file += `xref\n0 ${parts.length + 1}\n0000000000 65535 f \n${places.join('')}trailer\n<< /Size ${parts.length + 1} /Root 1 0 R >>\nstartxref\n${table}\n%%EOF\n`;
  return Buffer.from(file, 'latin1');
}

writeFileSync(
  path.join(folder, 'Culvert report.pdf'),
  pdf([
    [
      'Inspection of the culvert, Saltmere',
      'Made at low water from the tailrace end, by lamp and by rod. Two hours on the',
      'ebb, one on the flood.',
      '',
      'The barrel is of brick in lime, five feet across at the springing. The crown is',
      'sound. Efflorescence stands on the north haunch over eleven feet from the mouth,',
      'and the mortar behind it is soft to an inch and three quarters.',
      '',
      'The invert is scoured to bare clay for two metres. Of its slates four are left,',
      'beneath the old grating; the puddled clay takes the print of a thumb.',
    ],
    [
      'What should be done',
      '1. Nobody goes in above the half tide, nor alone.',
      '2. Rake out and repoint the north haunch with hot lime, from the springing up.',
      '3. Relay the invert in reclaimed blues, bedded on hydraulic mortar between two tides.',
      '4. Look again after the first equinoctial springs.',
      '',
      'Nothing seen here hinders the works at the gates.',
    ],
  ]),
);
