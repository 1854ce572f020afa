import { READ_BACKUP, READ_DOCUMENT } from './backup/backup-tasks';
import { EVALUATE_PLAN } from './evaluate/evaluate-tasks';
import { CHECK_BODY } from './large-bodies';
import { EXPORT_PLAN, PLAN_ITEMS, READ_PLAN } from './plan/plan-tasks';
import { PRINT_POWER_SHEET, PRINT_TAGS } from './prints/print-tasks';
import { workerOf } from './threads/told';

/** What a thread of the pool runs: the tasks that the resources bring. */
export default workerOf([
  CHECK_BODY,
  READ_PLAN,
  PLAN_ITEMS,
  EXPORT_PLAN,
  EVALUATE_PLAN,
  READ_BACKUP,
  READ_DOCUMENT,
  PRINT_POWER_SHEET,
  PRINT_TAGS,
]);
