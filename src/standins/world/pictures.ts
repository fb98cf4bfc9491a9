/** Pictures of the demo, drawn for it: what people put in the place of their face, and the college's mark. */
const picture = (inside: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="256" height="256" viewBox="0 0 256 256">${inside}</svg>`;
const rect = (y: number, height: number, fill: string) =>
  `<rect x="0" y="${y}" width="256" height="${height}" fill="${fill}"/>`;
const dot = (x: number, y: number, r: number, fill: string) =>
  `<circle cx="${x}" cy="${y}" r="${r}" fill="${fill}"/>`;
const shape = (d: string, fill: string) => `<path d="${d}" fill="${fill}"/>`;
const line = (d: string, stroke: string, width: number) =>
  `<path d="${d}" fill="none" stroke="${stroke}" stroke-width="${width}" stroke-linecap="round"/>`;

const leaf = (x: number, y: number, turn: number) =>
  `<ellipse cx="${x}" cy="${y}" rx="16" ry="46" fill="#3f7a5c" transform="rotate(${turn} ${x} ${y})"/>`;
const stave = (y: number) => line(`M20 ${y} H236`, '#8a7f70', 3);

export const PICTURES: Readonly<Record<string, string>> = {
  // A river between two banks.
  'Imani Okoro': picture(
    rect(0, 256, '#cfe0e6') +
      shape('M0 96 Q60 70 128 98 T256 84 V256 H0 Z', '#7d9b6a') +
      shape('M118 98 Q150 130 96 164 T150 256 H236 Q150 190 168 150 T140 96 Z', '#4d87a5') +
      dot(196, 50, 22, '#f0c66b'),
  ),
  // A plant on a window sill.
  'Noor Vasquez': picture(
    rect(0, 256, '#efe4d2') +
      rect(206, 50, '#b98f63') +
      leaf(128, 96, 0) +
      leaf(98, 110, -34) +
      leaf(158, 110, 34) +
      shape('M84 150 H172 L160 214 H96 Z', '#a9503a'),
  ),
  // A bridge at dusk.
  'Desmond Aule': picture(
    rect(0, 256, '#394a6b') +
      dot(70, 66, 26, '#f3e3b5') +
      rect(186, 70, '#22304c') +
      line('M0 150 H256', '#d9a05b', 10) +
      line('M0 150 Q64 40 128 150 Q192 40 256 150', '#d9a05b', 6),
  ),
  'Teodora Lind': picture(
    rect(0, 256, '#dfe6ea') +
      shape('M0 210 L92 60 L150 160 L184 112 L256 210 Z', '#6f7f8f') +
      shape('M92 60 L70 98 L94 90 L112 96 Z', '#ffffff') +
      rect(210, 46, '#4c6b52'),
  ),
  'Kwame Sorley': picture(
    rect(0, 256, '#bcd8e8') +
      shape('M128 34 L190 110 L128 196 L66 110 Z', '#c2553f') +
      shape('M128 34 L128 196 L66 110 Z', '#e0b04d') +
      line('M128 196 Q150 220 120 250', '#6d5a48', 4),
  ),
  'Brigid Tamm': picture(
    rect(0, 256, '#f2efe6') +
      dot(128, 128, 84, '#2f2f33') +
      dot(128, 128, 30, '#b9483d') +
      dot(128, 128, 7, '#f2efe6'),
  ),
  // A levee with its gauge.
  'Dr. Maren Holt': picture(
    rect(0, 256, '#d6e2df') +
      rect(150, 106, '#5a8fa8') +
      shape('M0 256 L0 190 L96 110 L150 110 L256 200 V256 Z', '#8aa06f') +
      line('M200 60 V214', '#ffffff', 14) +
      line('M200 80 V96 M200 120 V136 M200 160 V176', '#b3402f', 14),
  ),
  'Odile Marchetti': picture(
    rect(0, 256, '#f4eddc') +
      [78, 108, 138, 168].map(stave).join('') +
      dot(90, 166, 17, '#2d3b3a') +
      line('M106 164 V84 L172 70 V144', '#2d3b3a', 7) +
      dot(156, 146, 17, '#2d3b3a'),
  ),
  // A lighthouse.
  'Agnes Thorwald': picture(
    rect(0, 256, '#26394a') +
      shape('M128 70 L0 30 V110 Z', '#f0d58a') +
      shape('M108 84 H148 L160 226 H96 Z', '#f1ece1') +
      rect(226, 30, '#17252f') +
      shape('M104 130 H152 L154 156 H102 Z', '#b3402f') +
      dot(128, 72, 18, '#f7e4a4'),
  ),
};

/** Two waves under an arch. */
export const MARK = `<svg xmlns="http://www.w3.org/2000/svg" width="160" height="160" viewBox="0 0 160 160"><path d="M28 132 V76 a52 52 0 0 1 104 0 V132" fill="none" stroke="#1f5c4a" stroke-width="12"/><path d="M22 118 q20 -18 39 0 t39 0 t39 0" fill="none" stroke="#3a7ca5" stroke-width="9" stroke-linecap="round"/><path d="M22 142 q20 -18 39 0 t39 0 t39 0" fill="none" stroke="#3a7ca5" stroke-width="9" stroke-linecap="round"/></svg>`;
