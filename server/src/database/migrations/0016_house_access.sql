CREATE TABLE `house_access` (
	`house_id` char(36) NOT NULL,
	`owned_at` datetime(3),
	`setup_hash` varchar(200),
	`changes` int NOT NULL DEFAULT 0,
	CONSTRAINT `house_access_house_id` PRIMARY KEY(`house_id`)
);
--> statement-breakpoint
ALTER TABLE `house_access` ADD CONSTRAINT `house_access_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
INSERT INTO `house_access` (`house_id`, `owned_at`) SELECT `houses`.`id`, IF(EXISTS (SELECT 1 FROM `people` WHERE `people`.`house_id` = `houses`.`id` AND `people`.`role` = 'manager' AND `people`.`secret_hash` IS NOT NULL), UTC_TIMESTAMP(3), NULL) FROM `houses`;
