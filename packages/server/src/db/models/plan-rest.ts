import { DataTypes, Model } from 'sequelize';
import type { CreationOptional, InferAttributes, InferCreationAttributes, ModelStatic, Sequelize } from 'sequelize';

/** What an imported plan document held beside its items: its name, and fields that this version does not know. */
export class PlanRest extends Model<InferAttributes<PlanRest>, InferCreationAttributes<PlanRest>> {
  declare id: CreationOptional<number>;
  declare body: object;
  declare importedAt: Date;
}

export type PlanRestModel = ModelStatic<PlanRest>;

export function definePlanRest(sequelize: Sequelize): PlanRestModel {
  const model = class extends PlanRest {};
  model.init(
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      body: { type: DataTypes.JSONB, allowNull: false },
      importedAt: { type: DataTypes.DATE, allowNull: false },
    },
    { sequelize, tableName: 'plan_rests', modelName: 'planRest', timestamps: false },
  );
  return model;
}
