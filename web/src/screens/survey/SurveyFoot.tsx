import { Button } from 'antd';
import { surveyQuestions } from '@dusky-spool/core/house';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import css from './survey.module.css';

interface Props {
  readonly onWalk: () => void;
  readonly onKeys: () => void;
}

/** How much of the house is not known yet, and the walk that asks for it. */
export function SurveyFoot({ onWalk, onKeys }: Props) {
  const questions = surveyQuestions(useProject()).length;
  return (
    <div className={css.surveyFoot}>
      <b>{text('survey.notKnown', { count: questions })}</b>
      <span className="faint">{text('survey.notKnownLine')}</span>
      <Button size="small" type="primary" onClick={onWalk}>
        {text('survey.walk')}
      </Button>
      <Button size="small" onClick={onKeys}>
        {text('survey.keys')}
      </Button>
    </div>
  );
}
