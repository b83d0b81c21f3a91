// Required by all tests: every node of the derivations fails that reads what it does not declare.
import { guardEveryNode } from '../derive/index.ts';

guardEveryNode();
