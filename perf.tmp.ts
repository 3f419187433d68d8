import { readFileSync, readdirSync } from 'node:fs'
import { Bench } from 'tinybench'
import { simulate } from '/work/main/core/pot/simulate'
import { simulationCaseSchema } from '/work/main/core/pot/case.schema'
const dir='/work/main/core/cases/'
for (const f of readdirSync(dir)) {
  const raw = JSON.parse(readFileSync(dir+f,'utf8'))
  const c = simulationCaseSchema.parse(raw)
  const a:any = simulate(c), exact:any = simulate(c,{stepScale:0.05})
  const bench = new Bench({time:200,warmupTime:100}); bench.add('x',()=>simulate(c)); await bench.run()
  const out:any={}
  for (const [k,v] of Object.entries(raw.expect)) out[k]=[v,a[k]]
  console.log(f, (bench.tasks[0]!.result as any).latency.p50.toFixed(4),'ms', 'err%', a.boilMinutes.map((b:number,i:number)=>((b/exact.boilMinutes[i]-1)*100).toFixed(5)).join(), JSON.stringify(out))
}
