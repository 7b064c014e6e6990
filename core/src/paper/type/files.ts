/** The parts of the text face that ships with the app, by their writing: each letter is in the first part that has it. */
export const FACE_PARTS = [
  'latin',
  'latin-ext',
  'vietnamese',
  'greek',
  'greek-ext',
  'cyrillic',
  'cyrillic-ext',
] as const;

/** Weights the faces of a print are taken in, as CSS numbers them. */
export const FACE_WEIGHTS = { regular: 400, bold: 600 } as const;

/** Name of the file of a part in the font’s package. */
export const faceFile = (part: (typeof FACE_PARTS)[number], weight: keyof typeof FACE_WEIGHTS): string =>
  `source-sans-3-${part}-${FACE_WEIGHTS[weight]}-normal.woff`;
