import { readFileSync } from 'node:fs';
import { type SlottingProblem } from '@heronstone/core/slotting';
import { solveWithHighs } from '@heronstone/core/testing';

const problem = JSON.parse(readFileSync(0, 'utf8')) as SlottingProblem;
console.log(JSON.stringify(await solveWithHighs(problem, Number(process.argv[2]))));
