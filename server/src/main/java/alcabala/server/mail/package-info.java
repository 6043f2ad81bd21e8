/// Tells whoever imports a batch of it by e-mail, with its files. Start with [alcabala.server.mail.Mailing].
package alcabala.server.mail;
