/** Opens a studio and closes it again: brought up to date on the way, where it is an older one. */
import { openStore } from '@/store';

openStore(process.argv[2]!).$client.close();
