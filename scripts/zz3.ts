import { houseOf } from './bench/wired.ts';
import { planRuns } from '../core/runs/index.ts';
import { runChecks } from '../core/checks/index.ts';
runChecks(houseOf(250));
function coldCheck(d:any,r:any){ runChecks(d,r); }
for (let k=0;k<6;k++){ const d=houseOf(2000); const r=planRuns(d); const t=performance.now(); coldCheck(d,r); console.log('cold', (performance.now()-t).toFixed(0)); }
