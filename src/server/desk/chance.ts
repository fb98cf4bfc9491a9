import { randomInt } from 'node:crypto';

const STEPS = 2 ** 32;

/** Chance that nobody can foresee: a number from 0 to below 1. */
export const chance = (): number => randomInt(STEPS) / STEPS;
