import { availableParallelism } from 'node:os'
import { Turnstile } from './turnstile'

/**
 * Hashing takes some 100 ms of one of the four threads that compress answers and look up names as well, and of a processor:
 * one is left to everybody else.
 */
export const hashing = new Turnstile(Math.min(2, Math.max(1, availableParallelism() - 1)), 20)
