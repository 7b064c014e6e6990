import { type Label, type LabelShows } from '@heronstone/core/plan';

export const STATE: Record<Label, string> = {
  none: 'nothing',
  trial: 'a note on trial',
  permanent: 'a label for good',
  inside: 'a label inside the door',
  learnt: 'learnt: nothing any more',
};

export const SHOWS: Record<LabelShows, string> = {
  ...{
    name: 'name',
    contents: 'what lies there',
    picture: 'picture',
    swatch: 'colours',
    dots: 'dots',
    code: 'code to scan',
  },
};
