import { type Role } from '@/core/access';

/** Who asks. Until the studio has a passphrase that is whoever sits at this machine, without a name. */
export interface Asker {
  coachId: string | null;
  sessionId: string | null;
  name: string | null;
  role: Role;
  /** Whether they have a client, as their own or shared. */
  sees: (clientId: string) => boolean;
}
