import { theStore } from '@/store';

/** Opens the studio, or ends the server with the one sentence that says what is wrong. */
export function openAtStart() {
  try {
    theStore();
  } catch (error) {
    console.error(error instanceof Error ? error.message : error);
    process.exit(1);
  }
}
