using KeepTally.Web.Hosting;

return await Application.RunAsync(args);
