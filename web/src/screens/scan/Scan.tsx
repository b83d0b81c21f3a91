import { useCallback, useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { Button, Input } from 'antd';
import { formatCableLength, type Problem } from '@dusky-spool/core/math';
import { type KeptHouse, keptHouses } from '../../ground/api/device-store.ts';
import { term, text } from '../../ground/text.ts';
import { startDeriving, useDerived, useDeriving } from '../../state/derived.ts';
import { LengthBar } from '../../ui/LengthBar.tsx';
import { RunTag } from '../../ui/RunTag.tsx';
import { decodePicture, decodeVideo } from './decode.ts';
import { resolveLabel } from './resolve-label.ts';
import { problemSentence } from '@dusky-spool/texts';
import { LabelNotice } from '../plan/LabelNotice.tsx';
import css from './scan.module.css';

/** Resolves a cable label against the houses kept on this device; needs no connection. */
export function Scan() {
  const [houses, setHouses] = useState<readonly KeptHouse[] | null>(null);
  const [typed, setTyped] = useState('');
  const [found, setFound] = useState<{ house: KeptHouse; runId: string } | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [watching, setWatching] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const video = useRef<HTMLVideoElement>(null);
  const navigate = useNavigate();
  const house = found?.house.document ?? null;
  useEffect(startDeriving, []);
  useDeriving(house);
  const derived = useDerived(house);

  useEffect(() => {
    keptHouses().then(setHouses, () => setHouses([]));
  }, []);

  const lookUp = useCallback(
    (code: string) => {
      const outcome = resolveLabel(houses ?? [], code);
      setFound(outcome.found);
      setProblem(outcome.problem);
      return outcome.found !== null;
    },
    [houses],
  );

  useEffect(() => {
    const element = video.current;
    if (!watching || !element) return;
    let stopped = false;
    let stream: MediaStream | null = null;
    const watch = async () => {
      try {
        stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
        element.srcObject = stream;
        await element.play();
        while (!stopped) {
          const code = decodeVideo(element);
          if (code !== null && lookUp(code)) break;
          await new Promise((done) => window.setTimeout(done, 150));
        }
      } catch {
        setProblem({ code: 'camera-away' });
      }
      if (!stopped) setWatching(false);
    };
    void watch();
    return () => {
      stopped = true;
      stream?.getTracks().forEach((track) => track.stop());
    };
  }, [watching, lookUp]);

  const fromPicture = async (file: File) => {
    const code = await decodePicture(file).catch(() => null);
    if (code === null) {
      setFound(null);
      setProblem({ code: 'scan-no-code' });
    } else lookUp(code);
  };

  const planned = found && derived?.runById.get(found.runId);
  const row = found && derived?.rows.find((r) => r.runId === found.runId);
  return (
    <main className={css.scan}>
      <header>
        <Button type="text" onClick={() => void navigate(-1)} aria-label={text('close')}>
          ‹
        </Button>
        <h1>{text('scan.title')}</h1>
      </header>
      <p>{text('scan.lead')}</p>
      {watching && <video ref={video} muted playsInline aria-label={text('scan.camera')} />}
      <div className={css.scanWays}>
        <Button size="large" type="primary" onClick={() => setWatching(!watching)}>
          {text(watching ? 'scan.stop' : 'scan.camera')}
        </Button>
        <Button size="large" onClick={() => input.current?.click()}>
          {text('scan.picture')}
        </Button>
        <input
          ref={input}
          type="file"
          accept="image/*"
          className="unseen"
          tabIndex={-1}
          aria-label={text('scan.picture')}
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) void fromPicture(file);
            event.target.value = '';
          }}
        />
      </div>
      <form
        className={css.scanTyped}
        onSubmit={(event) => {
          event.preventDefault();
          lookUp(typed);
        }}
      >
        <Input
          size="large"
          value={typed}
          aria-label={text('scan.number')}
          placeholder={text('scan.number')}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button size="large" htmlType="submit">
          {text('scan.look')}
        </Button>
      </form>
      {problem && (
        <div className="finding look" role="alert">
          <p>{problem.code === 'scan-no-code' ? text('scan.noCode') : problemSentence(problem)}</p>
        </div>
      )}
      {found && planned && row && (
        <section className={css.scanFound} aria-live="polite">
          <div className="eyebrow">{text('scan.found', { house: found.house.name })}</div>
          <RunTag number={row.number} large>
            <p>
              {row.from} → {row.to}
            </p>
          </RunTag>
          <p className="figures-line">
            <span>{row.cable}</span>
            {row.cutLengthM !== null && <span>{formatCableLength(row.cutLengthM, found.house.document.project.units)}</span>}
            <span>{term(`states.${row.state}`)}</span>
          </p>
          <LabelNotice project={found.house.document} planned={planned} />
          {planned.length && <LengthBar length={planned.length} units={found.house.document.project.units} />}
          <Button
            type="primary"
            size="large"
            block
            onClick={() => void navigate(`/p/${found.house.projectId}/cabling?level=${row.levelId}&sel=run:${row.runId}`)}
          >
            {text('scan.open')}
          </Button>
        </section>
      )}
      {houses && (
        <p className="faint">
          {houses.length === 0
            ? text('scan.noHouses')
            : text('scan.houses', { names: houses.map((house) => house.name).join(', ') })}
        </p>
      )}
    </main>
  );
}
