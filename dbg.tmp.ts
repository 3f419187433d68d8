import { simulate } from '/work/main/core/pot/simulate'
import { COOKERS } from '/work/main/core/appliance/appliance'
const base:any={appliance:COOKERS['whistling-3l-steel']!.appliance,load:{freeWaterKg:.5,foodJPerK:300,startC:20,vessels:[]},place:{altitudeM:0,roomC:22},release:{kind:'timed',afterMinutes:0},foods:[{zC:19.5,vessel:null},{zC:35,zAbove110C:76,vessel:null,sizeMm:20}]}
for (const heatW of [500,900,1500]) for (const n of [1,3]) {
 const c={...base,program:[{kind:'whistles',heatW,untilWhistles:n}]}
 console.log(heatW,n,[1,.5,.25,.1,.05].map(s=>simulate(c,{stepScale:s}).boilMinutes.map(x=>x.toFixed(4)).join('/')).join('  '))
}
