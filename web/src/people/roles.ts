import type { Role } from '../api/types';

/** What a member may do, in words. */
export const ROLES: readonly { role: Role; word: string; may: string }[] = [
  { role: 'fabricator', word: 'a fabricator', may: 'changes jobs, releases parts' },
  { role: 'viewer', word: 'a viewer', may: 'looks, takes drawings' },
  { role: 'owner', word: 'an owner', may: 'all that, and says who else' },
];
