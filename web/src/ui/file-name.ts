/** Name of a file that is saved: letters and digits of any language, joined by hyphens. */
export const fileName = (plan: string, what: string, ending: string): string =>
  `${`${plan} ${what}`.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '')}.${ending}`;
