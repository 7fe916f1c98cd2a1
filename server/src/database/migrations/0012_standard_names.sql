ALTER TABLE `audit` RENAME COLUMN `deed` TO `permission`;--> statement-breakpoint
UPDATE `audit` SET `permission` = 'sign-in' WHERE `permission` = 'door';--> statement-breakpoint
UPDATE `houses` SET `settings` = REPLACE(`settings`, '"stakes":', '"serviceLevel":');--> statement-breakpoint
UPDATE `plans` SET `content` = REPLACE(REPLACE(`content`, '"asIfs":', '"assumptions":'), '"kind":"way-out","way":', '"kind":"relaxation","relaxation":');
