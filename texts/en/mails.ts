/** Mails that the server sends. */
export const mails = {
  invitation: {
    subject: '{{firm}} invites you to Dusky Spool',
    body: `{{name}} invites you to work with {{firm}} in Dusky Spool, as {{role}}.

Open this link to set your password and begin. It works once, for seven days:
{{link}}

If you did not expect this, leave it: nothing happens.`,
  },
  reset: {
    subject: 'Set a new password for Dusky Spool',
    body: `Hello {{name}},

somebody asked to set a new password for your account. This link works once, for two hours:
{{link}}

If it was not you, leave it: your password stays as it is.`,
  },
};
