ALTER TABLE `products` MODIFY COLUMN `target` json NOT NULL DEFAULT ('{"riseMin":1.6,"riseMax":2.5,"risePeak":2,"openTempC":12,"maturityMinH":0}');--> statement-breakpoint
UPDATE `products` SET `target` = '{"riseMin":1.6,"riseMax":2.5,"risePeak":2,"openTempC":12,"maturityMinH":0}'
WHERE JSON_VALUE(`target`, '$.riseMin') = 1.6 AND JSON_VALUE(`target`, '$.riseMax') = 2.4
  AND JSON_VALUE(`target`, '$.risePeak') = 1.95 AND JSON_VALUE(`target`, '$.openTempC') = 15
  AND JSON_VALUE(`target`, '$.maturityMinH') = 6;
