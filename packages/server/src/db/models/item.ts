import { byKind } from '@viaggio/core/document';
import type { PlanKind } from '@viaggio/core/document';
import { DataTypes, Model } from 'sequelize';
import type { CreationOptional, InferAttributes, InferCreationAttributes, ModelStatic, Sequelize } from 'sequelize';

/** A row of the table of its kind: one thing that is kept whole, saved as a whole, and counted by revision. */
export class Item extends Model<InferAttributes<Item>, InferCreationAttributes<Item>> {
  declare id: string;
  declare revision: number;
  declare body: object;
  /** In the order in which they came: what an import brought stays as it was written. */
  declare place: CreationOptional<number>;
  declare createdAt: CreationOptional<Date>;
  declare updatedAt: CreationOptional<Date>;
  declare deletedAt: CreationOptional<Date | null>;
}

export type ItemKind = PlanKind;
export type ItemModels = Readonly<Record<ItemKind, ModelStatic<Item>>>;

export function defineItemModels(sequelize: Sequelize): ItemModels {
  const define = (tableName: ItemKind): ModelStatic<Item> => {
    const model = class extends Item {};
    model.init(
      {
        id: { type: DataTypes.UUID, primaryKey: true },
        revision: { type: DataTypes.INTEGER, allowNull: false },
        body: { type: DataTypes.JSONB, allowNull: false },
        place: { type: DataTypes.INTEGER, autoIncrement: true },
        createdAt: DataTypes.DATE,
        updatedAt: DataTypes.DATE,
        deletedAt: DataTypes.DATE,
      },
      { sequelize, tableName, modelName: tableName, paranoid: true },
    );
    return model;
  };
  return byKind(define);
}
