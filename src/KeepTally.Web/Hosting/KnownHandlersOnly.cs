using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;

namespace KeepTally.Web.Hosting;

/// <summary>
/// A page is asked only for what it can do. Without this the framework shows the page without having asked its model, which
/// then holds nothing to show.
/// </summary>
internal sealed class KnownHandlersOnly : IPageFilter
{
    public void OnPageHandlerSelected(PageHandlerSelectedContext context) { }

    public void OnPageHandlerExecuting(PageHandlerExecutingContext context)
    {
        var reading =
            HttpMethods.IsGet(context.HttpContext.Request.Method) || HttpMethods.IsHead(context.HttpContext.Request.Method);
        // The page that tells of an error is shown for any method.
        var telling =
            context.HttpContext.Features.Get<IStatusCodeReExecuteFeature>() is not null
            || context.HttpContext.Features.Get<IExceptionHandlerFeature>() is not null;
        if (!telling && context.HandlerMethod is null && (!reading || context.ActionDescriptor.HandlerMethods.Count > 0))
        {
            context.Result = new StatusCodeResult(reading ? StatusCodes.Status404NotFound : StatusCodes.Status405MethodNotAllowed);
        }
    }

    public void OnPageHandlerExecuted(PageHandlerExecutedContext context) { }
}
