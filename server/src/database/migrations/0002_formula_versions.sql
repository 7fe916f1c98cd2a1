CREATE TABLE `formula_versions` (
	`house_id` char(36) NOT NULL,
	`formula_id` char(36) NOT NULL,
	`version` int NOT NULL,
	`note` varchar(300) NOT NULL,
	`saved_at` datetime(3) NOT NULL,
	`content` json NOT NULL,
	CONSTRAINT `formula_versions_house_id_formula_id_version_pk` PRIMARY KEY(`house_id`,`formula_id`,`version`)
);
--> statement-breakpoint
CREATE TABLE `ingredients` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`name` varchar(80) NOT NULL,
	`facts` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `ingredients_id` PRIMARY KEY(`id`),
	CONSTRAINT `ingredients_house` UNIQUE(`house_id`,`id`),
	CONSTRAINT `ingredients_name` UNIQUE(`house_id`,`name`)
);
--> statement-breakpoint
ALTER TABLE `formula_versions` ADD CONSTRAINT `formula_versions_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `formula_versions` ADD CONSTRAINT `formula_versions_formula` FOREIGN KEY (`house_id`,`formula_id`) REFERENCES `formulas`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `ingredients` ADD CONSTRAINT `ingredients_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
INSERT INTO `formula_versions` (`house_id`, `formula_id`, `version`, `note`, `saved_at`, `content`)
SELECT `house_id`, `id`, `version`, '', UTC_TIMESTAMP(3), JSON_OBJECT(
	'name', `name`,
	'formula', JSON_EXTRACT(`formula`, '$'),
	'doughTempC', `dough_temp_c`,
	'method', JSON_EXTRACT(`method`, '$'),
	'mixerId', `mixer_id`,
	'allergens', JSON_EXTRACT(`allergens`, '$')
) FROM `formulas`;
