import express from 'express';
import {
  instrumentsReply,
  measureReply,
  printerJobsReply,
  type PrinterJobsReply,
  switchReply,
  type SwitchReply,
  switchRequest,
  switchScriptsReply,
  type SwitchScriptsReply,
  testerRequest,
  testerReply,
  type TesterReply,
} from '@dusky-spool/core/model';
import { type Bridge, SWITCH_SCRIPTS, TESTER_SCRIPTS } from '../../bridge/index.ts';
import { refusal } from '../../http/problems.ts';
import { parseShape } from '../../http/parse.ts';
import type { RouteTable } from '../../http/route-table.ts';
import type { Services } from '../../services/services.ts';
import { printedBy, printedJob } from './store.ts';

/** The instruments, and what this firm sent to the printer: with the simulated one, what it would have printed. */
export function instrumentRoutes(table: RouteTable, { database }: Services, bridge: Bridge): void {
  table.get('/bridge', 'field', { does: 'Instruments at this server', reply: instrumentsReply }, (_request, response) => {
    response.json({ instruments: bridge.instruments });
  });
  table.post(
    '/bridge/:kind/measure',
    'field',
    { does: 'Reads an instrument', reply: measureReply },
    async (request, response) => {
      if (request.params.kind !== 'laser') throw refusal('not-found', { field: 'instrument' });
      response.json({ lengthM: await bridge.laser.measure() });
    },
  );
  table.get(
    '/bridge/switch/scripts',
    'field',
    { does: 'Scripts of faults that the simulated network switch plays', reply: switchScriptsReply },
    (_request, response) => {
      const scripts = SWITCH_SCRIPTS.map(({ name, title }) => ({ name, title }));
      response.json({ simulated: bridge.switchIsSimulated, scripts } satisfies SwitchScriptsReply);
    },
  );
  table.post(
    '/bridge/switch/ports',
    'field',
    { does: 'Reads the ports of a network switch', body: switchRequest, reply: switchReply },
    express.json({ limit: '200kb' }),
    async (request, response) => {
      const { plugged, script } = parseShape(request.body, switchRequest);
      if (!SWITCH_SCRIPTS.some(({ name }) => name === script)) throw refusal('not-found', { field: 'script' });
      const ports = await bridge.networkSwitch.ports(plugged, script);
      response.json({ simulated: bridge.switchIsSimulated, ports } satisfies SwitchReply);
    },
  );
  testerRoutes(table, bridge);
  table.get(
    '/bridge/printer/jobs',
    'field',
    { does: 'What was sent to the printer', reply: printerJobsReply },
    async (_request, response) => {
      const jobs = await printedBy(database, response.locals.member!.firmId);
      response.json({ simulated: bridge.printerIsSimulated, jobs } satisfies PrinterJobsReply);
    },
  );
  table.get('/bridge/printer/jobs/:printedId', 'field', { does: 'One print', reply: 'file' }, async (request, response) => {
    const id = String(request.params.printedId);
    const job = /^\d{1,9}$/.test(id) ? await printedJob(database, response.locals.member!.firmId, Number(id)) : null;
    if (!job) throw refusal('not-found', { field: 'job' });
    response.type(job.mediaType).send(job.bytes);
  });
}

function testerRoutes(table: RouteTable, bridge: Bridge): void {
  table.get(
    '/bridge/tester/scripts',
    'field',
    { does: 'Scripts of faults that the simulated cable tester plays', reply: switchScriptsReply },
    (_request, response) => {
      const scripts = TESTER_SCRIPTS.map(({ name, title }) => ({ name, title }));
      response.json({ simulated: bridge.testerIsSimulated, scripts } satisfies SwitchScriptsReply);
    },
  );
  table.post(
    '/bridge/tester/test',
    'field',
    { does: 'Tests a cable', body: testerRequest, reply: testerReply },
    express.json({ limit: '200kb' }),
    async (request, response) => {
      const { cable, script } = parseShape(request.body, testerRequest);
      if (!TESTER_SCRIPTS.some(({ name }) => name === script)) throw refusal('not-found', { field: 'script' });
      const reading = await bridge.tester.test(cable, script);
      response.json({ simulated: bridge.testerIsSimulated, tester: bridge.tester.name, reading } satisfies TesterReply);
    },
  );
}
