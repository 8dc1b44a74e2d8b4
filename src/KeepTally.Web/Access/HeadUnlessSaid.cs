using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;

namespace KeepTally.Web.Access;

/// <summary>An assistant may do this, too: it is part of running a practice.</summary>
[AttributeUsage(AttributeTargets.Method | AttributeTargets.Class)]
internal sealed class ForAssistantsAttribute : Attribute;

/// <summary>Only a head coach may read this, though the page is for all coaches.</summary>
[AttributeUsage(AttributeTargets.Method)]
internal sealed class ForHeadAttribute : Attribute;

/// <summary>A handler that changes something is for head coaches, unless it says that it is for assistants, too.</summary>
internal sealed class HeadUnlessSaid : IPageFilter
{
    public void OnPageHandlerSelected(PageHandlerSelectedContext context) { }

    public void OnPageHandlerExecuting(PageHandlerExecutingContext context)
    {
        if (context.HandlerMethod is not { } handler || context.HttpContext.Caller() is null or { IsHead: true })
        {
            return;
        }

        var reading =
            HttpMethods.IsGet(context.HttpContext.Request.Method) || HttpMethods.IsHead(context.HttpContext.Request.Method);
        var allowed = reading
            ? !handler.MethodInfo.IsDefined(typeof(ForHeadAttribute), inherit: true)
            : handler.MethodInfo.IsDefined(typeof(ForAssistantsAttribute), inherit: true)
                || context.ActionDescriptor.ModelTypeInfo!.IsDefined(typeof(ForAssistantsAttribute), inherit: true);
        if (!allowed)
        {
            context.Result = new ForbidResult();
        }
    }

    public void OnPageHandlerExecuted(PageHandlerExecutedContext context) { }
}
