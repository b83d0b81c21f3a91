import { useState } from 'react';
import { Button } from 'antd';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { download } from '../../ground/api/http.ts';
import { text } from '../../ground/text.ts';

/** The diagnostics file for whoever is asked for help. */
export function ServerPanel() {
  const [said, setSaid] = useState<string | null>(null);
  return (
    <section className="stage-sheet">
      <div className="stage-head">
        <div>
          <h2>{text('people.views.server')}</h2>
          <p>{text('people.diagnosticsHint')}</p>
        </div>
      </div>
      <Button
        onClick={() =>
          void download('/diagnostics').then(
            (name) => setSaid(text('making.ready', { name })),
            (error: unknown) => setSaid(sentenceOf(error)),
          )
        }
      >
        {text('people.diagnostics')}
      </Button>
      {said && <p role="status">{said}</p>}
    </section>
  );
}
