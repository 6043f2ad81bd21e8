/// The post office: takes mail by SMTP, and keeps it for whoever looks.
package standins.post;
