import { answeringDevices, canBeChannel, channelsOf, compareLayout } from '@dusky-spool/core/brief';
import type { BriefCell, Device, SurroundChannel } from '@dusky-spool/core/model';
import { chooseChannel } from '../../commands/choose-channel.ts';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import css from './brief.module.css';

/** A surround layout channel by channel: which speaker is which, and which channel has none. */
export function ChannelList({ cell }: { readonly cell: BriefCell }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const devices = answeringDevices(project, cell);
  if (!channelsOf(cell.layout)) return null;
  const { channels } = compareLayout(project, cell.layout, devices);
  const open = channels.filter(({ device }) => device === null);
  // Side by side there is room for the name alone.
  const titleOf = ({ name, typeId }: Device) => name || project.deviceTypes[typeId].name;
  const choose = (channel: SurroundChannel, before: Device | null, deviceId: string) =>
    edit(term(`channels.${channel}`), chooseChannel(devices, channel, before, deviceId));
  return (
    <>
      <p className={open.length > 0 ? 'finding look' : 'faint'}>
        {open.length > 0
          ? text('brief.channelsOpen', {
              channels: open.map(({ channel }) => term(`channels.${channel}`).toLowerCase()).join(', '),
            })
          : text('brief.channelsFilled', { layout: cell.layout })}
      </p>
      <div className={`fields ${css.channels}`}>
        {channels.map(({ channel, device }, n) => (
          <ChoiceField
            key={`${channel}${n}`}
            label={term(`channels.${channel}`)}
            value={device?.id ?? ''}
            options={[
              { value: '', label: text('brief.channelNone') },
              ...devices
                .filter((one) => one.id === device?.id || canBeChannel(project.deviceTypes[one.typeId], channel))
                .map((one) => ({ value: one.id, label: titleOf(one) })),
            ]}
            onChange={(deviceId) => choose(channel, device, deviceId)}
          />
        ))}
      </div>
    </>
  );
}
