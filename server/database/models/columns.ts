import { DataTypes, type ModelAttributes, type ModelAttributeColumnOptions } from 'sequelize';

type Column = ModelAttributeColumnOptions;

const column = (type: Column['type'], allowNull = false): Column => ({ type, allowNull });

/** Column kinds of the project's tables; metres, radians and ohms are double precision. */
export const text = column(DataTypes.TEXT);
export const number = column(DataTypes.DOUBLE);
export const numberOrNull = column(DataTypes.DOUBLE, true);
export const whole = column(DataTypes.INTEGER);
export const wholeOrNull = column(DataTypes.INTEGER, true);
export const flag = column(DataTypes.BOOLEAN);
export const geometry = column(DataTypes.JSONB);
export const geometryOrNull = column(DataTypes.JSONB, true);
export const reference = column(DataTypes.TEXT);
export const referenceOrNull = column(DataTypes.TEXT, true);

/** Every record is known by its project and its id within it. */
export const recordColumns = (columns: ModelAttributes): ModelAttributes => ({
  projectId: { type: DataTypes.UUID, allowNull: false, primaryKey: true },
  id: { type: DataTypes.TEXT, allowNull: false, primaryKey: true },
  ...columns,
});
