// Debian’s headless Chromium as tests and pictures use it: its headless program takes two thirds of the processor that the whole
// browser takes for the same pages; which of them is there is used, or the one named in CHROMIUM.
export const chromiums = process.env.CHROMIUM
  ? [process.env.CHROMIUM]
  : ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];
