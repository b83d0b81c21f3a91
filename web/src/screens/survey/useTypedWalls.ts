import { useEffect, useRef } from 'react';
import { App as AntApp } from 'antd';
import { parseLength, type Point2 } from '@dusky-spool/core/math';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { drawWalls } from '@dusky-spool/core/survey';
import { text } from '../../ground/text.ts';
import type { CameraControl } from '../../canvas/useCamera.ts';
import { backCorner, endChain, setCorner, typedCorner, typeWalls } from '../../canvas/tools/draw-walls.ts';
import { useProjectStore } from '../../state/project.ts';
import { newSurveyId } from './ids.ts';
import type { SurveyTool } from './tools.ts';

interface Sources {
  readonly document: ProjectDocument;
  readonly levelId: string;
  readonly tool: SurveyTool;
  readonly setTool: (tool: SurveyTool) => void;
  readonly control: CameraControl;
}

/** Walls drawn by the keyboard: length and angle of the next one, the end of a chain, a step back. */
export function useTypedWalls({ document, levelId, tool, setTool, control }: Sources): (key: string) => boolean {
  const edit = useProjectStore((state) => state.edit);
  const { message } = AntApp.useApp();
  const { units } = document.project;
  const setTypedCorner = () => {
    if (tool.kind !== 'walls') return;
    const pointer = lastPointer.current;
    const at = typedCorner(tool.draw, control.toWorld(pointer.x, pointer.y), document.levels[levelId].gridAngleRad, (typed) => {
      const parsed = parseLength(typed, units);
      return parsed.ok ? parsed.value : null;
    });
    if (!at) return void message.info({ content: text('survey.typeHint'), key: 'typed' });
    const step = setCorner(tool.draw, at);
    build(step.build);
    setTool({ ...tool, draw: step.state });
  };
  const finishChain = () => {
    if (tool.kind !== 'walls') return;
    const step = endChain(tool.draw);
    if (build(step.build) !== false) setTool({ ...tool, draw: step.state });
  };
  const build = (chain: readonly Point2[] | null) =>
    chain && tool.kind === 'walls'
      ? edit(text('survey.drawWalls'), drawWalls(document, levelId, chain, tool.make, newSurveyId))
      : null;
  const lastPointer = useRef({ x: 0, y: 0 });
  useEffect(() => {
    const onMove = (event: PointerEvent) => {
      lastPointer.current = { x: event.clientX, y: event.clientY };
    };
    window.addEventListener('pointermove', onMove);
    return () => window.removeEventListener('pointermove', onMove);
  }, []);
  return (key) => {
    if (tool.kind !== 'walls') return false;
    const { draw } = tool;
    if (key === 'Enter') {
      if (draw.typed !== '') setTypedCorner();
      else finishChain();
      return true;
    }
    if (key === 'Backspace') {
      setTool({ ...tool, draw: draw.typed !== '' ? typeWalls(draw, draw.typed.slice(0, -1)).state : backCorner(draw).state });
      return true;
    }
    if (draw.chain.length > 0 && /^[0-9.,'"<\-/ ]$/.test(key)) {
      setTool({ ...tool, draw: typeWalls(draw, draw.typed + key).state });
      return true;
    }
    if (key.toLowerCase() === 'l') {
      setTool({ ...tool, draw: { ...draw, angleLock: !draw.angleLock } });
      return true;
    }
    return false;
  };
}
