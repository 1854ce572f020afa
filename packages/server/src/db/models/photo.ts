import { DataTypes, Model } from 'sequelize';
import type { InferAttributes, InferCreationAttributes, ModelStatic, Sequelize } from 'sequelize';

/** A photograph of a piece of gear, made small before it came. */
export class Photo extends Model<InferAttributes<Photo>, InferCreationAttributes<Photo>> {
  declare id: string;
  declare gearId: string;
  declare bytes: Buffer;
  declare savedAt: Date;
}

export type PhotoModel = ModelStatic<Photo>;

export function definePhoto(sequelize: Sequelize): PhotoModel {
  const model = class extends Photo {};
  model.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      gearId: { type: DataTypes.UUID, allowNull: false },
      bytes: { type: DataTypes.BLOB, allowNull: false },
      savedAt: { type: DataTypes.DATE, allowNull: false },
    },
    { sequelize, tableName: 'photos', modelName: 'photo', timestamps: false },
  );
  return model;
}
