import { expect, test } from '@jest/globals';
import { sitsOn } from './index.ts';

test('a wheelchair says what its maker may not, leaving it says it back, another chair says nothing of it', () => {
  const none = { mayClimb: false, mayStoop: false, mayKneel: false };
  expect(sitsOn('wheelchair', 'swivel')).toEqual({ mobility: 'wheelchair', ...none });
  expect(sitsOn('stool', 'wheelchair')).toEqual({ mobility: 'stool', mayClimb: true, mayStoop: true, mayKneel: true });
  expect(sitsOn('standing', 'stool')).toEqual({ mobility: 'standing' });
  // what was chosen again is no change
  expect(sitsOn('wheelchair', 'wheelchair')).toEqual({ mobility: 'wheelchair' });
});
