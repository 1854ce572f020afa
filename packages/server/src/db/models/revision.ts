import { DataTypes, Model } from 'sequelize';
import type { InferAttributes, InferCreationAttributes, ModelStatic, Sequelize } from 'sequelize';
import type { ItemKind } from './item';

/** Every state an item was ever saved in: what a conflict or a mistake can be undone from. */
export class Revision extends Model<InferAttributes<Revision>, InferCreationAttributes<Revision>> {
  declare kind: ItemKind;
  declare itemId: string;
  declare revision: number;
  declare body: object;
  declare savedAt: Date;
}

export type RevisionModel = ModelStatic<Revision>;

export function defineRevision(sequelize: Sequelize): RevisionModel {
  const model = class extends Revision {};
  model.init(
    {
      kind: { type: DataTypes.TEXT, primaryKey: true },
      itemId: { type: DataTypes.UUID, primaryKey: true },
      revision: { type: DataTypes.INTEGER, primaryKey: true },
      body: { type: DataTypes.JSONB, allowNull: false },
      savedAt: { type: DataTypes.DATE, allowNull: false },
    },
    { sequelize, tableName: 'revisions', modelName: 'revision', timestamps: false },
  );
  return model;
}
