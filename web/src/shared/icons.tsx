import * as outlined from '@ant-design/icons';
import type { ComponentProps, ComponentType } from 'react';

/** Icons are silent: the words beside them say it. One that stands alone is given its words as `aria-label`. */

type Props = ComponentProps<typeof outlined.CheckOutlined>;

function silent(Icon: ComponentType<Props>): (props: Props) => React.JSX.Element {
  return function SilentIcon(props) {
    const isNamed = props['aria-label'] !== undefined;
    return (
      <Icon
        {...props}
        {...(isNamed ? {} : { 'aria-hidden': true, 'aria-label': undefined, role: 'presentation' })}
      />
    );
  };
}

export const AimOutlined = silent(outlined.AimOutlined);
export const BorderOuterOutlined = silent(outlined.BorderOuterOutlined);
export const CameraOutlined = silent(outlined.CameraOutlined);
export const CheckOutlined = silent(outlined.CheckOutlined);
export const CloseOutlined = silent(outlined.CloseOutlined);
export const CloseSquareOutlined = silent(outlined.CloseSquareOutlined);
export const CopyOutlined = silent(outlined.CopyOutlined);
export const DeleteOutlined = silent(outlined.DeleteOutlined);
export const DownOutlined = silent(outlined.DownOutlined);
export const DownloadOutlined = silent(outlined.DownloadOutlined);
export const ExperimentOutlined = silent(outlined.ExperimentOutlined);
export const FolderOpenOutlined = silent(outlined.FolderOpenOutlined);
export const HolderOutlined = silent(outlined.HolderOutlined);
export const InboxOutlined = silent(outlined.InboxOutlined);
export const LeftOutlined = silent(outlined.LeftOutlined);
export const MergeCellsOutlined = silent(outlined.MergeCellsOutlined);
export const MinusOutlined = silent(outlined.MinusOutlined);
export const MoonOutlined = silent(outlined.MoonOutlined);
export const NodeIndexOutlined = silent(outlined.NodeIndexOutlined);
export const PlusOutlined = silent(outlined.PlusOutlined);
export const PlusSquareOutlined = silent(outlined.PlusSquareOutlined);
export const PrinterOutlined = silent(outlined.PrinterOutlined);
export const RadiusSettingOutlined = silent(outlined.RadiusSettingOutlined);
export const ReadOutlined = silent(outlined.ReadOutlined);
export const RightOutlined = silent(outlined.RightOutlined);
export const ScheduleOutlined = silent(outlined.ScheduleOutlined);
export const SettingOutlined = silent(outlined.SettingOutlined);
export const ShopOutlined = silent(outlined.ShopOutlined);
export const SplitCellsOutlined = silent(outlined.SplitCellsOutlined);
export const ToTopOutlined = silent(outlined.ToTopOutlined);
export const UndoOutlined = silent(outlined.UndoOutlined);
export const UpOutlined = silent(outlined.UpOutlined);
export const UploadOutlined = silent(outlined.UploadOutlined);
export const WarningOutlined = silent(outlined.WarningOutlined);
