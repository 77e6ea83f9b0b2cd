import { built, squares } from '../core/src/testing/built.ts';
import { checkGraph } from '../core/src/bag/index.ts';
import { area } from '../core/src/geometry/index.ts';
for (const panel of ['widens','steps','bobbles']) for (const worked of ['across','along'] as const) {
 const {graph}=built({family:'faces-and-strip',face:squares(3,2),strip:{of:'rows',panel,worked}});
 const strip=graph.pieces.find(p=>p.id==='strip')!;
 console.log(panel,worked,graph.facets.filter(f=>f.piece==='strip').length,strip.outline.length,checkGraph(graph).map(p=>p.kind+' '+p.by.toFixed(4)), area(strip.outline));
 if(panel==='steps') console.log(strip.outline.map(p=>p.x.toFixed(0)+','+p.y.toFixed(0)).join(' '));
}
{ const {graph}=built({family:'faces-and-strip',face:squares(3,2),strip:{of:'rows',panel:'widens',worked:'along'}});
 const strip=graph.pieces.find(p=>p.id==='strip')!;
 console.log(strip.outline.map(p=>p.x.toFixed(0)+','+p.y.toFixed(0)).join(' '));
 for(const f of graph.facets.filter(f=>f.piece==='strip')) console.log(area(f.outline).toFixed(1), f.outline.map(p=>p.x.toFixed(0)+','+p.y.toFixed(0)).join(' '));
}
